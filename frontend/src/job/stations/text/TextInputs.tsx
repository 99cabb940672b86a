import { t } from "../../../app/words";
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
      <Group title={t("text.text")}>
        <div className="pt-[1.3rem]">
          <Choice
            label={t("text.kindOfText")}
            value={blankBook ? "blank" : "printed"}
            options={[
              { value: "printed", label: t("common.printed") },
              { value: "blank", label: t("text.blankBook") },
            ]}
            onChange={(kind) => session.set("text.blank_book", kind === "blank")}
          />
        </div>
        <NumberField path="text.pages" label={t("common.pages")} min={1} width="w-20" />
        {!blankBook && <SelectField path="text.blanks" label={t("common.blanks")} width="w-28" />}
        <SelectField
          path="text.filler"
          label={blankBook ? t("text.onTheLeaves") : t("text.onTheBlanks")}
          width="w-24"
        />
        {ruled && <RulingFields />}
        <NumberField path="copies" label={t("text.copies")} min={1} width="w-16" />
      </Group>
      {!blankBook && valueAt(draft, "text.file") != null && (
        <Group title={t("text.itsPages")}>
          <SelectField path="text.placing" label={t("common.printed")} width="w-32" />
          <SelectField path="text.anchor" label={t("text.linedUpOn")} width="w-36" />
        </Group>
      )}
      <Group title={t("common.finishedLeaf")}>
        <NamedSizeField
          label={t("common.size")}
          sizes={choices?.leaves ?? []}
          widthPath="leaf.width"
          heightPath="leaf.height"
        />
        <LengthField path="leaf.width" label={t("common.width")} />
        <LengthField path="leaf.height" label={t("common.height")} />
      </Group>
      <Group title={t("text.trimmedOff")}>
        <LengthField path="leaf.trim.head" label={t("common.head")} width="w-16" />
        <LengthField path="leaf.trim.tail" label={t("common.tail")} width="w-16" />
        <LengthField path="leaf.trim.fore_edge" label={t("common.foreEdge")} width="w-20" />
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
          {t("text.ruling")}
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content
            className="z-20 grid w-72 grid-cols-2 gap-2 rounded border border-rule bg-chalk p-3 text-ink shadow-lg"
            sideOffset={4}
          >
            <LengthField path="text.ruling.pitch" label={t("text.fromLineToLine")} width="w-full" />
            <LengthField path="text.ruling.line" label={t("text.lineThick")} width="w-full" />
            <LengthField
              path="text.ruling.margins.head"
              label={t("text.freeAtTheHead")}
              width="w-full"
            />
            <LengthField
              path="text.ruling.margins.tail"
              label={t("text.atTheTail")}
              width="w-full"
            />
            <LengthField
              path="text.ruling.margins.spine"
              label={t("text.atTheSpine")}
              width="w-full"
            />
            <LengthField
              path="text.ruling.margins.fore_edge"
              label={t("text.atTheForeEdge")}
              width="w-full"
            />
            <label className="col-span-2 flex items-center gap-2 text-sm text-faded">
              {t("common.colour")}
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
