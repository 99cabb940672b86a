/**
 * Fields on a drawing: where a dimension can be decided or measured, its figure is the field for it. What it
 * is the field for, the records of entries and quantities say; where it stands, the drawing.
 */
import { Popover } from "radix-ui";
import { useLayoutEffect, useMemo, useRef, useState } from "react";
import type { Drawing, DrawingElement, Quantity } from "../api/client";
import { useChoices } from "../app/choices";
import { useReader } from "../app/person";
import { t } from "../app/words";
import { figureAt } from "../drawing/elements";
import type { View } from "../drawing/view";
import { useLit, useSnapshot } from "./context";
import { useLength } from "./fields";
import type { JobPath } from "./paths";
import { Reasons } from "./Reckoning";

type Dimension = Extract<DrawingElement, { kind: "dimension" }>;

/** A dimension with the entry or the measurement that stands for it. */
export interface OnDrawing {
  index: number;
  element: Dimension;
  label: string;
  path: JobPath;
  optional: boolean;
  quantity: Quantity | undefined;
  /** Another of this drawing is the field for the same: one is reached by Tab, all by touch. */
  again: boolean;
}

/** The dimensions of a drawing that are fields, by their places in it. */
export function useOnDrawing(drawing: Drawing): readonly OnDrawing[] {
  const { plan } = useSnapshot();
  const fields = useChoices()?.fields;
  const reader = useReader();
  return useMemo(() => {
    if (!plan || !fields || reader) return [];
    const asked = new Set<string>(plan.asked.paths);
    const lengths = Object.values(fields).filter(
      ({ key, kind }) => kind === "length" && asked.has(key),
    );
    const known = new Set<string>();
    const told = drawing.elements.flatMap((element, index) =>
      element.kind === "dimension" && element.figure_of ? [{ element, index }] : [],
    );
    return told
      .sort((one, other) => asRead(one.element, other.element))
      .flatMap((each) => {
        const { element, index } = each;
        const of = element.figure_of;
        const quantity = plan.quantities.find(({ id }) => id === of);
        const field = lengths.find(
          ({ key, decides }) => key === of || quantity?.entry === key || decides.includes(of),
        );
        if (!field && !quantity?.measurable) return [];
        const path = (field?.key ?? `measured.${quantity?.id}`) as JobPath;
        const again = known.has(path);
        known.add(path);
        const said = field && (plan.asked.labels[field.key] ?? field.label);
        const label = quantity?.label ?? said ?? "";
        return [
          { index, element, label, path, optional: field?.optional ?? true, quantity, again },
        ];
      });
  }, [drawing, plan, fields, reader]);
}

/** From the top down, and from left to right: as Tab goes. */
function asRead(one: Dimension, other: Dimension): number {
  const down = one.start[1] + one.end[1] - other.start[1] - other.end[1];
  const across = one.start[0] + one.end[0] - other.start[0] - other.end[0];
  return Math.abs(down) > 1 ? down : across;
}

export function DimensionFields({ on, view }: { on: readonly OnDrawing[]; view: View }) {
  return on.map((each) => <DimensionField key={each.index} on={each} view={view} />);
}

/** So many pixels a sign takes, and the least a finger finds. */
const SIGN = 6.6;
const LEAST = 24;

function DimensionField({ on, view }: { on: OnDrawing; view: View }) {
  const { element, quantity, path, label } = on;
  const { point } = useLit();
  const input = useRef<HTMLInputElement>(null);
  const [here, setHere] = useState(false);
  const { shown, error, type, leave, onKeyDown } = useLength(path, on.optional);
  // at once, so that what is typed first is not typed over
  useLayoutEffect(() => {
    if (here) input.current?.select();
  }, [here]);
  const at = figureAt(element, view);
  if (!at) return null;
  const wide = Math.max(LEAST, (here ? Math.max(shown.length, 6) : element.text.length) * SIGN + 8);
  const close = () => {
    setHere(false);
    leave();
    point("");
  };
  return (
    <Popover.Root open={here} onOpenChange={(open) => !open && close()}>
      <Popover.Anchor asChild>
        <input
          ref={input}
          aria-label={t("drawing.sizeNamed", { label, size: element.text })}
          title={here ? undefined : label}
          aria-invalid={error ? true : undefined}
          tabIndex={on.again ? -1 : 0}
          autoComplete="off"
          data-field={path}
          className={`dimension-field ${quantity?.measured != null ? "text-woad" : ""}`}
          style={{
            left: at.middle[0] - wide / 2,
            top: at.middle[1] - LEAST / 2,
            width: wide,
            height: LEAST,
            rotate: at.upright && !here ? "-90deg" : undefined,
          }}
          value={here ? shown : element.text}
          placeholder={here ? element.text : undefined}
          onFocus={() => {
            setHere(true);
            point(element.about);
          }}
          onMouseEnter={() => point(element.about)}
          onMouseLeave={() => !here && point("")}
          onChange={(event) => type(event.target.value)}
          onKeyDown={(event) => {
            onKeyDown(event, element.text.replace(/^≈ /, ""));
            if (event.key === "Tab") close();
          }}
        />
      </Popover.Anchor>
      <Popover.Portal>
        <Popover.Content
          className="dimension-note"
          sideOffset={6}
          collisionPadding={8}
          aria-label={label}
          onOpenAutoFocus={(event) => event.preventDefault()}
          onCloseAutoFocus={(event) => event.preventDefault()}
          onInteractOutside={(event) => {
            if (event.target === input.current) event.preventDefault();
          }}
        >
          <Note on={on} error={error} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** What is known of a dimension while it is typed: whence it comes, its sum, and what is wrong. */
function Note({ on, error }: { on: OnDrawing; error: string | undefined }) {
  const { quantity, label, path } = on;
  const measuring = path.startsWith("measured.");
  const source =
    quantity?.measured != null
      ? t("drawing.wasMeasured")
      : !measuring
        ? t("drawing.isDecided")
        : t("drawing.isReckoned");
  return (
    <>
      <p className="flex justify-between gap-3">
        <strong>{label}</strong>
        <span className="text-faded">{source}</span>
      </p>
      {error && (
        <p role="alert" className="text-madder">
          {error}
        </p>
      )}
      {quantity?.sum && <p className="figures text-faded">{quantity.sum}</p>}
      {measuring && <p className="text-faded">{t("drawing.typeWhatIsMeasured")}</p>}
      {quantity && (
        <details className="mt-1">
          <summary className="cursor-pointer text-hill">{t("drawing.howReckoned")}</summary>
          <Reasons quantity={quantity} />
        </details>
      )}
    </>
  );
}
