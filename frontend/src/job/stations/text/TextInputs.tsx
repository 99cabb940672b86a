import { t } from "../../../app/words";
import { Popover } from "radix-ui";
import { Choice } from "../../../parts/controls";
import { useChoices } from "../../../app/choices";
import { useSession, useSnapshot } from "../../context";
import { NamedSizeField } from "../../fields";
import { FormFields, StationForms } from "../../forms";
import { valueAt } from "../../paths";

export function TextInputs() {
  const session = useSession();
  const { draft } = useSnapshot();
  const choices = useChoices();
  const blankBook = valueAt(draft, "text.blank_book") === true;
  const ruled = valueAt(draft, "text.filler") !== "plain";
  const kind = (
    <div key="kind" className="pt-[1.3rem]">
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
  );
  return (
    <StationForms
      station="text"
      label={t("text.text")}
      own={{
        text: { instead: { "text.blank_book": kind }, after: ruled && <RulingFields /> },
        leaf: {
          before: (
            <NamedSizeField
              label={t("common.size")}
              sizes={choices?.leaves ?? []}
              widthPath="leaf.width"
              heightPath="leaf.height"
            />
          ),
        },
      }}
    />
  );
}

/** How a ruled leaf is ruled; out of the way until it is asked for. */
function RulingFields() {
  const session = useSession();
  const { draft } = useSnapshot();
  const colour = (
    <label key="colour" className="col-span-2 flex items-center gap-2 text-sm text-faded">
      {t("common.colour")}
      <input
        type="color"
        value={String(valueAt(draft, "text.ruling.colour") ?? "#8a8f98")}
        onChange={(event) => session.set("text.ruling.colour", event.target.value)}
      />
    </label>
  );
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
            <FormFields name="ruling" own={{ instead: { "text.ruling.colour": colour } }} />
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
    </div>
  );
}
