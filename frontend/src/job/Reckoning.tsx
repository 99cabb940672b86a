/** The quantities of a station as short sums; opened, each says where it comes from and takes a measurement. */
import { t } from "../app/words";
import { Pencil } from "lucide-react";
import { Collapsible } from "radix-ui";
import { memo, useState } from "react";
import type { Quantity } from "../api/client";
import { Button } from "../parts/controls";
import { touches } from "../drawing/view";
import { useLit, useSession, useSnapshot } from "./context";
import { ViewOnly } from "../app/ViewOnly";
import { LengthField } from "./fields";
import { valueAt } from "./paths";

export function Reckoning({
  quantities,
  open,
  onOpen,
}: {
  quantities: readonly Quantity[];
  open: string | null;
  onOpen: (id: string | null) => void;
}) {
  const [unfolded, setUnfolded] = useState(false);
  const [part, setPart] = useState("");
  const sought = part.trim().toLowerCase();
  const shown = quantities.filter(({ label }) => label.toLowerCase().includes(sought));
  return (
    <details
      className="mt-3 border-t border-rule pt-2"
      open={unfolded || quantities.some(({ id }) => id === open)}
      onToggle={(event) => setUnfolded(event.currentTarget.open)}
    >
      <summary className="cursor-pointer">
        <h2 className="inline text-lg font-semibold">{t("job.theReckoning")}</h2>{" "}
        <span className="figures text-faded">{quantities.length}</span>
      </summary>
      {quantities.length > FEW && (
        <div className="my-1.5">
          <input
            type="search"
            aria-label={t("job.findAQuantity")}
            placeholder={t("job.findAQuantity")}
            className="h-8 w-full rounded border border-faded bg-sheet px-2"
            value={part}
            onChange={(event) => setPart(event.target.value)}
          />
        </div>
      )}
      <ul className="divide-y divide-rule border-y border-rule">
        {shown.map((quantity) => (
          <QuantityLine
            key={quantity.id}
            quantity={quantity}
            open={open === quantity.id}
            onOpen={onOpen}
          />
        ))}
      </ul>
    </details>
  );
}

/** So many are seen at once. */
const FEW = 8;

const QuantityLine = memo(function QuantityLine({
  quantity,
  open,
  onOpen,
}: {
  quantity: Quantity;
  open: boolean;
  onOpen: (id: string | null) => void;
}) {
  const { ids, point } = useLit();
  const about = quantity.entry ? `${quantity.id} ${quantity.entry}` : quantity.id;
  return (
    <li
      data-quantity={quantity.id}
      className={touches(about, ids) ? "bg-linen" : ""}
      onMouseEnter={() => point(about)}
      onMouseLeave={() => point("")}
    >
      <Collapsible.Root open={open} onOpenChange={(next) => onOpen(next ? quantity.id : null)}>
        <Collapsible.Trigger className="block w-full px-1.5 py-1.5 text-left hover:bg-linen">
          <span className="flex items-baseline justify-between gap-2">
            <span>
              {quantity.label}
              {quantity.state && <span className="text-faded">, {quantity.state}</span>}
            </span>
            <span className="figures font-semibold whitespace-nowrap">
              {quantity.measured !== null && (
                <span className="mr-1 text-woad">
                  <Pencil size={12} className="inline" aria-hidden /> {t("job.measured")}
                </span>
              )}
              <span className={quantity.measured !== null ? "text-woad" : ""}>
                {quantity.shown}
              </span>
            </span>
          </span>
          {quantity.sum && <span className="figures block text-sm text-faded">{quantity.sum}</span>}
        </Collapsible.Trigger>
        <Collapsible.Content className="px-1.5 pb-3">
          <Reasons quantity={quantity} />
        </Collapsible.Content>
      </Collapsible.Root>
    </li>
  );
});

export function Reasons({ quantity }: { quantity: Quantity }) {
  const { draft } = useSnapshot();
  const session = useSession();
  const path = `measured.${quantity.id}` as const;
  const isMeasured = valueAt(draft, path) !== undefined;
  const chosen = quantity.schools.find((school) => school.chosen);
  return (
    <div className="space-y-2 rounded border border-rule bg-sheet p-2 text-sm">
      <p>
        <span className="text-faded">{t("job.how")} </span>
        {quantity.how}
      </p>
      {quantity.terms.length > 0 && (
        <dl className="figures grid grid-cols-[1fr_auto] gap-x-3">
          {quantity.terms.map((term) => (
            <div key={term.label + term.about} className="contents">
              <dt>{term.label}</dt>
              <dd className="text-right">{term.shown}</dd>
            </div>
          ))}
        </dl>
      )}
      {quantity.rule && (
        <p>
          <span className="text-faded">{t("job.rule")} </span>
          {chosen?.label ?? quantity.rule}
        </p>
      )}
      {quantity.schools.length > 0 && <Schools quantity={quantity} />}
      {quantity.measured !== null && (
        <p className="figures">
          <span className="text-faded">{t("job.computed")} </span>
          {quantity.computed_shown}
        </p>
      )}
      {quantity.measurable && (
        <ViewOnly>
          <div className="flex items-end gap-2 text-woad">
            <LengthField path={path} label={t("job.measuredAtTheBench")} optional />
            {isMeasured && (
              <Button onClick={() => session.set(path, null)}>{t("job.clear")}</Button>
            )}
          </div>
        </ViewOnly>
      )}
    </div>
  );
}

function Schools({ quantity }: { quantity: Quantity }) {
  const session = useSession();
  return (
    <div>
      <p className="text-faded">{t("job.schools")}</p>
      <ul>
        {quantity.schools.map((school) => (
          <li key={school.rule}>
            <button
              type="button"
              aria-pressed={school.chosen}
              className={`flex w-full items-baseline justify-between gap-2 rounded px-1 py-1 text-left hover:bg-linen ${school.chosen ? "font-semibold" : ""}`}
              onClick={() => session.apply(school.patch)}
            >
              <span>
                <span aria-hidden>{school.chosen ? "● " : "○ "}</span>
                {school.label}
                {school.effect && <span className="font-normal text-faded">: {school.effect}</span>}
              </span>
              <span className="figures whitespace-nowrap">{school.shown}</span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
