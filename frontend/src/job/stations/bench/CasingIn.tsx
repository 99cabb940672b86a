/** The casing-in sheet: sizes, the map of glue, and ticks for one side and then the other. */
import { t } from "../../../app/words";
import { Drawings } from "../../Drawings";
import { useLit, useSnapshot } from "../../context";
import { useBench } from "./useBench";

const OPERATION = "case_in";

export function CasingIn({ grain }: { grain: boolean }) {
  const { plan } = useSnapshot();
  const { point } = useLit();
  const sheet = plan?.casing_in;
  const { standings, tell } = useBench();
  const ticked = new Set(standings.get(OPERATION)?.ticked.map((each) => each.look));
  const tick = (look: string, label: string) => (
    <input
      type="checkbox"
      className="size-[24px] accent-hill"
      aria-label={label}
      checked={ticked.has(look)}
      onChange={(event) =>
        void tell(event.target.checked ? "looked" : "unlooked", { operation: OPERATION, look })
      }
    />
  );
  if (!sheet) return <p>{t("bench.noPasteDown")}</p>;
  return (
    <div className="grid min-h-0 flex-1 gap-4 lg:grid-cols-[1.2fr_1fr]">
      <div className="flex min-h-[20rem] min-w-0 flex-col">
        <Drawings ids={["bench.casing_in"]} grain={grain} beside={false} />
      </div>
      <div className="min-h-0 space-y-3 overflow-y-auto text-sm">
        <dl className="grid grid-cols-[1fr_auto] gap-x-4">
          {sheet.sizes.map((size) => (
            <div
              key={size.quantity}
              className="contents"
              onMouseEnter={() => point(size.quantity)}
              onMouseLeave={() => point("")}
            >
              <dt>{size.label}</dt>
              <dd className="figures text-right font-semibold">{size.shown}</dd>
            </div>
          ))}
        </dl>
        <table className="w-full">
          <thead>
            <tr className="text-left">
              <th>{t("bench.oneSideThenTheOther")}</th>
              <th className="w-14">{t("bench.front")}</th>
              <th className="w-14">{t("bench.backOf")}</th>
            </tr>
          </thead>
          <tbody>
            {sheet.sides.map(({ id, text }) => (
              <tr key={id} className="border-t border-rule align-top">
                <td className="py-1">{text}</td>
                <td>
                  {tick(`${id}.front`, t("bench.tickOfSide", { text, side: t("bench.front") }))}
                </td>
                <td>
                  {tick(`${id}.back`, t("bench.tickOfSide", { text, side: t("bench.backOf") }))}
                </td>
              </tr>
            ))}
            {sheet.ends.map(({ id, text }) => (
              <tr key={id} className="border-t border-rule align-top">
                <td className="py-1" colSpan={2}>
                  {text}
                </td>
                <td>{tick(id, text)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </div>
  );
}
