import { Popover } from "radix-ui";
import { Choice } from "../../../parts/controls";
import { useChoices } from "../../../app/choices";
import { useSession, useSnapshot } from "../../context";
import { Group, LengthField, NamedSizeField, NumberField, SelectField } from "../../fields";
import { valueAt } from "../../paths";

export function TextInputs() {
  const session = useSession();
  const { draft } = useSnapshot();
  const choices = useChoices();
  const blankBook = valueAt(draft, "text.blank_book") === true;
  const ruled = valueAt(draft, "text.filler") !== "plain";
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
        {!blankBook && <SelectField path="text.blanks" label="Blanks" width="w-28" />}
        <SelectField
          path="text.filler"
          label={blankBook ? "On the leaves" : "On the blanks"}
          width="w-24"
        />
        {ruled && <RulingFields />}
        <NumberField path="copies" label="Copies" min={1} width="w-16" />
      </Group>
      {!blankBook && valueAt(draft, "text.file") != null && (
        <Group title="Its pages">
          <SelectField path="text.placing" label="Printed" width="w-32" />
          <SelectField path="text.anchor" label="Lined up on" width="w-36" />
        </Group>
      )}
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

/** How a ruled leaf is ruled; out of the way until it is asked for. */
function RulingFields() {
  const session = useSession();
  const { draft } = useSnapshot();
  return (
    <div className="pt-[1.3rem]">
      <Popover.Root>
        <Popover.Trigger
          type="button"
          className="rounded border border-hill px-2.5 py-1 font-medium text-hill hover:bg-linen"
        >
          Ruling …
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content
            className="z-20 grid w-72 grid-cols-2 gap-2 rounded border border-rule bg-chalk p-3 text-ink shadow-lg"
            sideOffset={4}
          >
            <LengthField path="text.ruling.pitch" label="From line to line" width="w-full" />
            <LengthField path="text.ruling.line" label="Line, thick" width="w-full" />
            <LengthField path="text.ruling.margins.head" label="Free at the head" width="w-full" />
            <LengthField path="text.ruling.margins.tail" label="At the tail" width="w-full" />
            <LengthField path="text.ruling.margins.spine" label="At the spine" width="w-full" />
            <LengthField
              path="text.ruling.margins.fore_edge"
              label="At the fore-edge"
              width="w-full"
            />
            <label className="col-span-2 flex items-center gap-2 text-sm text-faded">
              Colour
              <input
                type="color"
                value={String(valueAt(draft, "text.ruling.colour") ?? "#8a8f98")}
                onChange={(event) => session.set("text.ruling.colour", event.target.value)}
              />
            </label>
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
    </div>
  );
}
