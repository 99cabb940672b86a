import { useSnapshot } from "../context";
import { Group, LengthField, NumberField, SelectField, TextField } from "../fields";
import { valueAt } from "../paths";
import { Linings } from "./Linings";

const SPINE_RULES = [
  ["block", "block"],
  ["block_plus_1_5", "block + 1½ boards"],
  ["flush_less_1", "block + 2 boards − 1"],
  ["flush", "block + 2 boards"],
] as const;

const JOINT_RULES = [
  ["by_board", "fixed by the board"],
  ["board_plus_6", "board + 6"],
  ["inset", "from the inset wanted"],
  ["fixed", "a width of one's own"],
] as const;

export function BoardsInputs() {
  const { draft, plan } = useSnapshot();
  const joint = valueAt(draft, "binding.joint_rule");
  const shown = (id: string) => plan?.quantities.find((each) => each.id === id)?.shown ?? "";
  return (
    <>
      <Group title="Board">
        <TextField path="binding.board_name" label="Name" width="w-28" />
        <LengthField path="binding.board" label="Thickness" width="w-20" />
        <LengthField
          path="binding.spine_board"
          label="Spine board"
          placeholder="as board"
          optional
          width="w-24"
        />
        <LengthField path="binding.cut_in_case" label="Cut wider by" width="w-24" />
      </Group>
      <Group title="Glued on the boards">
        <Linings />
      </Group>
      <Group title="Squares">
        <LengthField path="binding.squares.head" label="Head" width="w-[4.6rem]" />
        <LengthField path="binding.squares.tail" label="Tail" width="w-[4.6rem]" />
        <LengthField path="binding.squares.fore_edge" label="Fore-edge" width="w-20" />
      </Group>
      <Group title="Spine and joint">
        <SelectField
          path="binding.spine_rule"
          label="Spine board width"
          options={SPINE_RULES}
          width="w-44"
        />
        <SelectField path="binding.joint_rule" label="Joint" options={JOINT_RULES} width="w-44" />
        {joint === "inset" && (
          <LengthField
            path="binding.inset"
            label="Inset"
            placeholder={shown("joint.inset")}
            optional
            width="w-20"
          />
        )}
        {joint === "fixed" && (
          <LengthField
            path="binding.joint"
            label="Gap"
            placeholder={shown("joint.gap")}
            optional
            width="w-20"
          />
        )}
        <NumberField path="binding.groove" label="Groove, 0 to 1" step={0.1} width="w-28" />
      </Group>
      <Group title="Cover">
        <TextField path="binding.cover_name" label="Cloth" width="w-32" />
        <LengthField path="binding.cover_thickness" label="Thickness" width="w-20" />
        <LengthField path="binding.turn_in" label="Turn-in" width="w-20" />
      </Group>
    </>
  );
}
