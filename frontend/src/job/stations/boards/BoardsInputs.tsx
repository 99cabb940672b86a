import { Tabbed } from "../../../parts/Tabbed";
import { useSnapshot } from "../../context";
import { PrintedInputs } from "./PrintedInputs";
import { Group, LengthField, NumberField, SelectField, TextField } from "../../fields";
import { valueAt } from "../../paths";
import { useUses } from "../../uses";
import { GlueOn, Linings } from "./Linings";

export function BoardsInputs() {
  const { asks } = useUses();
  const { plan } = useSnapshot();
  const tabs = [
    ...(asks("binding.board") || asks("binding.squares")
      ? [{ id: "boards", title: "Boards", content: <Boards /> }]
      : []),
    ...(["spine_rule", "joint_rule", "inset", "french_joint"].some((key) => asks(`binding.${key}`))
      ? [{ id: "joint", title: "Spine & joint", content: <Joint /> }]
      : []),
    ...(asks("binding.cover") || asks("binding.covering")
      ? [{ id: "cover", title: "Cover", content: <Cover /> }]
      : []),
    ...(["tape_reach", "stiffener", "slit_step", "flaps", "leaves", "old_cover", "bands"].some(
      (key) => asks(`binding.${key}`),
    )
      ? [{ id: "more", title: "Its own", content: <Own /> }]
      : []),
  ];
  if (plan?.cover_art) tabs.push({ id: "printed", title: "Printed", content: <PrintedInputs /> });
  return tabs.length ? <Tabbed label="About boards and cover" tabs={tabs} quiet /> : null;
}

function Boards() {
  const { asks } = useUses();
  const layers = (valueAt(useSnapshot().draft, "binding.linings") ?? []).length;
  return (
    <>
      {asks("binding.board") && (
        <Group title="Board">
          <TextField path="binding.board_name" label="Name" width="w-24" />
          <LengthField path="binding.board" label="Thickness" width="w-20" />
          {asks("binding.spine_board") && (
            <LengthField
              path="binding.spine_board"
              label="Spine board"
              placeholder="as board"
              optional
              width="w-24"
            />
          )}
          {asks("binding.thin_board") && (
            <LengthField path="binding.thin_board" label="Thin board" width="w-20" />
          )}
          {asks("binding.cut_in_case") && (
            <LengthField path="binding.cut_in_case" label="Cut wider by" width="w-[5.4rem]" />
          )}
          {asks("binding.linings") && <GlueOn />}
        </Group>
      )}
      {asks("binding.squares") && (
        <Group title="Squares">
          <LengthField path="binding.squares.head" label="Head" width="w-[4.6rem]" />
          <LengthField path="binding.squares.tail" label="Tail" width="w-[4.6rem]" />
          <LengthField path="binding.squares.fore_edge" label="Fore-edge" width="w-20" />
        </Group>
      )}
      {asks("binding.linings") && layers > 0 && (
        <Group title="Glued on the boards">
          <Linings />
        </Group>
      )}
    </>
  );
}

function Joint() {
  const { draft, plan } = useSnapshot();
  const { asks } = useUses();
  const joint = valueAt(draft, "binding.joint_rule");
  const ruled = asks("binding.joint_rule");
  const shown = (id: string) => plan?.quantities.find((each) => each.id === id)?.shown ?? "";
  return (
    <Group title="Spine and joint">
      {asks("binding.spine_rule") && (
        <SelectField path="binding.spine_rule" label="Spine width" width="w-44" />
      )}
      {ruled && <SelectField path="binding.joint_rule" label="Joint" width="w-44" />}
      {((ruled && joint === "inset") || asks("binding.inset")) && (
        <LengthField
          path="binding.inset"
          label="Inset"
          placeholder={shown("joint.inset")}
          optional
          width="w-20"
        />
      )}
      {ruled && joint === "fixed" && (
        <LengthField
          path="binding.joint"
          label="Gap"
          placeholder={shown("joint.gap")}
          optional
          width="w-20"
        />
      )}
      {asks("binding.french_joint") && (
        <LengthField path="binding.french_joint" label="Off the shoulder" width="w-28" />
      )}
      {asks("binding.groove") && (
        <NumberField path="binding.groove" label="Groove, 0 to 1" step={0.1} width="w-28" />
      )}
    </Group>
  );
}

function Cover() {
  const { draft, plan } = useSnapshot();
  const { asks, coverings } = useUses();
  const covering = String(valueAt(draft, "binding.covering"));
  const several = asks("binding.covering") && ["quarter", "half", "fore_edge"].includes(covering);
  const leg = plan?.quantities.find((each) => each.id === "corner.leg")?.shown ?? "";
  const joined = asks("binding.overlap") || covering === "three_piece";
  return (
    <>
      <Group title="Cover">
        {asks("binding.covering") && coverings.length > 1 && (
          <SelectField path="binding.covering" label="Covering" options={coverings} width="w-44" />
        )}
        <SelectField path="binding.material" label="Of" width="w-24" />
        <TextField path="binding.cover_name" label="Name" width="w-32" />
        <LengthField path="binding.cover_thickness" label="Thickness" width="w-20" />
        {asks("binding.turn_in") && (
          <LengthField path="binding.turn_in" label="Turn-in" width="w-20" />
        )}
        {valueAt(draft, "binding.material") === "leather" && (
          <LengthField path="binding.paring" label="For paring" width="w-20" />
        )}
      </Group>
      {(several || joined) && (
        <Group title={several ? "In pieces" : "Strip"}>
          <LengthField path="binding.overlap" label="On each board" width="w-24" />
          {several && (
            <>
              <SelectField path="binding.sides" label="Sides of" width="w-20" />
              <LengthField path="binding.sides_over" label="Sides over" width="w-20" />
            </>
          )}
          {covering === "half" && (
            <LengthField
              path="binding.corner_leg"
              label="Corner's leg"
              placeholder={leg}
              optional
              width="w-24"
            />
          )}
          {covering === "fore_edge" && (
            <LengthField path="binding.fore_edge_strip" label="Fore-edge strip" width="w-24" />
          )}
        </Group>
      )}
    </>
  );
}

/** What only some structures ask for. */
function Own() {
  const { asks } = useUses();
  return (
    <>
      {asks("binding.stiffener") && (
        <Group title="Stiffener">
          <LengthField
            path="binding.stiffener"
            label="Inside each side"
            placeholder="none"
            optional
            width="w-28"
          />
        </Group>
      )}
      {asks("binding.leaves") && (
        <Group title="Leaves">
          <SelectField path="binding.leaves" label="Held" width="w-56" />
        </Group>
      )}
      {asks("binding.bands") && (
        <Group title="Bands">
          <NumberField path="binding.bands.count" label="How many" min={0} width="w-20" />
          <LengthField path="binding.bands.width" label="Width" width="w-20" />
          <LengthField path="binding.bands.tail_more" label="Tail panel more" width="w-28" />
        </Group>
      )}
      {asks("binding.tape_reach") && (
        <Group title="Supports">
          <LengthField path="binding.tape_reach" label="Reach on each side" width="w-32" />
        </Group>
      )}
      {asks("binding.slit_step") && (
        <Group title="Slits">
          <LengthField path="binding.slit_step" label="From slit to slit" width="w-28" />
          <LengthField path="binding.slit_play" label="Longer by" width="w-20" />
        </Group>
      )}
      {asks("binding.flaps") && (
        <Group title="Flaps">
          <LengthField path="binding.flaps" label="Width; 0 for none" width="w-32" />
        </Group>
      )}
      {asks("binding.old_cover") && (
        <Group title="Old cover, as it comes off">
          <LengthField path="binding.old_cover.width" label="Width" optional width="w-20" />
          <LengthField path="binding.old_cover.height" label="Height" optional width="w-20" />
          <LengthField path="binding.old_cover.spine" label="Spine" optional width="w-20" />
        </Group>
      )}
    </>
  );
}
