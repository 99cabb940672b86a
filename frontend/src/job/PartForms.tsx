/**
 * What is decided about a part and is no size stands at the part: its method, its make, its material. Touched,
 * the part's form opens there; the fields are those of the drawer, which lends them meanwhile.
 */
import { Popover } from "radix-ui";
import { useMemo } from "react";
import type { Drawing, FormRecord } from "../api/client";
import { useChoices } from "../app/choices";
import { useReader } from "../app/person";
import { t } from "../app/words";
import { type Callout, callouts, HIGH } from "../drawing/callouts";
import type { View } from "../drawing/view";
import { useAtPart, useLit, useSnapshot } from "./context";
import { asText, valueAt } from "./paths";

interface Told {
  form: FormRecord;
  words: string;
}

/** The forms that have a part in a drawing, each in words. */
export function useTold(drawing: Drawing): readonly Told[] {
  const { plan, draft } = useSnapshot();
  const choices = useChoices();
  const reader = useReader();
  return useMemo(() => {
    if (!plan || !choices || reader) return [];
    const asked = new Set<string>(plan.asked.paths);
    const said = (path: FormRecord["told"][number]) => {
      const value = asText(valueAt(draft, path));
      const options = choices.fields[path]?.options ?? [];
      return options.find((option) => option.value === value)?.label ?? value;
    };
    return choices.forms
      .filter(
        (form) =>
          form.part.length > 0 &&
          !form.by_itself &&
          form.at.some(({ station }) => station === drawing.station) &&
          form.paths.some((path) => asked.has(path)),
      )
      .map((form) => {
        const values = form.told.filter((path) => asked.has(path)).map(said);
        const words = values.filter(Boolean).join(", ");
        const { title } = form;
        return { form, words: words ? t("drawing.partSays", { title, words }) : title };
      });
  }, [drawing.station, plan, draft, choices, reader]);
}

export function PartForms({
  drawing,
  told,
  view,
}: {
  drawing: Drawing;
  told: readonly Told[];
  view: View;
}) {
  const placed = useMemo(
    () =>
      callouts(
        drawing,
        view,
        told.map(({ form, words }) => ({ words, part: form.part })),
      ),
    [drawing, view, told],
  );
  return told.map((each, index) => {
    const at = placed[index];
    return at && <PartForm key={each.form.name} told={each} at={at} />;
  });
}

function PartForm({ told: { form, words }, at }: { told: Told; at: Callout }) {
  const { point } = useLit();
  const { open, setOpen, setPlace } = useAtPart();
  const { middle, wide, to } = at;
  const part = form.part.join(" ");
  return (
    <Popover.Root
      open={open === form.name}
      onOpenChange={(now) => {
        setOpen(now ? form.name : null);
        point(now ? part : "");
      }}
    >
      {to && (
        <svg className="part-line" aria-hidden>
          <line x1={middle[0]} y1={middle[1]} x2={to[0]} y2={to[1]} />
          <circle cx={to[0]} cy={to[1]} r={2.5} />
        </svg>
      )}
      <Popover.Trigger
        type="button"
        className="part-form"
        style={{
          left: middle[0] - wide / 2,
          top: middle[1] - HIGH / 2,
          width: wide,
          height: HIGH,
        }}
        onMouseEnter={() => point(part)}
        onMouseLeave={() => point("")}
      >
        {words}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          className="dimension-note"
          sideOffset={6}
          collisionPadding={8}
          aria-label={form.title}
        >
          <p className="mb-1 font-serif font-semibold">{form.title}</p>
          <div ref={setPlace} className="flex flex-wrap gap-x-4 gap-y-2" />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
