import { Choice } from "../../parts/controls";
import { useChoices } from "../choices";
import { useSession, useSnapshot } from "../context";
import { Group, LengthField, NamedSizeField, NumberField, SelectField } from "../fields";
import { valueAt } from "../paths";

const BLANKS = [
  ["end", "at the end"],
  ["front", "at the front"],
  ["both", "at both ends"],
] as const;

export function TextInputs() {
  const session = useSession();
  const { draft } = useSnapshot();
  const choices = useChoices();
  const blankBook = valueAt(draft, "text.blank_book") === true;
  return (
    <>
      <Group title="Text">
        <div className="pt-[1.3rem]">
          <Choice
            label="Kind of text"
            value={blankBook ? "blank" : "printed"}
            options={[
              { value: "printed", label: "Printed" },
              { value: "blank", label: "Blank book" },
            ]}
            onChange={(kind) => session.set("text.blank_book", kind === "blank")}
          />
        </div>
        <NumberField path="text.pages" label="Pages" min={1} width="w-20" />
        {!blankBook && (
          <SelectField path="text.blanks" label="Blanks" options={BLANKS} width="w-32" />
        )}
        <NumberField path="copies" label="Copies" min={1} width="w-16" />
      </Group>
      <Group title="Finished leaf">
        <NamedSizeField
          label="Size"
          sizes={choices?.leaves ?? []}
          widthPath="leaf.width"
          heightPath="leaf.height"
        />
        <LengthField path="leaf.width" label="Width" />
        <LengthField path="leaf.height" label="Height" />
      </Group>
      <Group title="Trimmed off">
        <LengthField path="leaf.trim.head" label="Head" width="w-16" />
        <LengthField path="leaf.trim.tail" label="Tail" width="w-16" />
        <LengthField path="leaf.trim.fore_edge" label="Fore-edge" width="w-20" />
      </Group>
    </>
  );
}
