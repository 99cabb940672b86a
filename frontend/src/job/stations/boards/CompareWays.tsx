/** Two or three ways to bind the book, side by side, their drawings one over another. */
import { t } from "../../../app/words";
import { useState } from "react";
import { api, type Comparison, unwrap, type Way } from "../../../api/client";
import { usePerson } from "../../../app/person";
import { DrawingView } from "../../../drawing/DrawingView";
import { Button, Tick } from "../../../parts/controls";
import { Modal } from "../../../parts/Modal";
import { useSession } from "../../context";
import { useDraftQuery } from "../../useDraftQuery";

export function CompareWays() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button className="text-sm" onClick={() => setOpen(true)}>
        {t("boards.compareSchools")}
      </Button>
      <Modal open={open} onOpenChange={setOpen} title={t("boards.sideBySide")} wider>
        {open && <Compare onDone={() => setOpen(false)} />}
      </Modal>
    </>
  );
}

function Compare({ onDone }: { onDone: () => void }) {
  const ways = useDraftQuery("ways", async (body) => unwrap(await api.POST("/api/ways", { body })));
  if (ways.error && !ways.data) return <p role="alert">{ways.error.message}</p>;
  if (!ways.data) return <p>{t("common.reckoning")}</p>;
  return <Chosen ways={ways.data} onDone={onDone} />;
}

/** Begins with what comes out otherwise, and never holds one way twice. */
function Chosen({ ways, onDone }: { ways: readonly Way[]; onDone: () => void }) {
  const schools = ways.filter((way) => way.id !== "" && way.group !== "Structures");
  const [chosen, setChosen] = useState<readonly string[]>(() => {
    const others = [...schools.filter((way) => way.differs), ...ways.slice(1)];
    return ["", ...[...new Set(others.map((way) => way.id))].slice(0, 2)];
  });
  const [count, setCount] = useState(2);
  const [all, setAll] = useState(false);
  const ids = chosen.slice(0, count);
  const compared = useDraftQuery(
    "compare",
    async (job) => unwrap(await api.POST("/api/compare", { body: { job, ways: ids } })),
    ...ids,
  );
  return (
    <div>
      <div className="mb-3 flex flex-wrap items-end gap-3">
        {ids.map((id, index) => (
          <PickWay
            key={index}
            label={t("boards.wayIndex", { index: index + 1 })}
            ways={ways.filter((way) => way.id === id || !ids.includes(way.id))}
            value={id}
            onChange={(next) =>
              setChosen(chosen.map((each, place) => (place === index ? next : each)))
            }
          />
        ))}
        {count < 3 ? (
          <Button onClick={() => setCount(3)}>{t("boards.aThird")}</Button>
        ) : (
          <Button onClick={() => setCount(2)}>{t("boards.onlyTwo")}</Button>
        )}
        <Tick checked={all} onChange={setAll}>
          {t("boards.sizesThatAgreeToo")}
        </Tick>
      </div>
      {compared.data && <Side comparison={compared.data} all={all} onDone={onDone} />}
    </div>
  );
}

function PickWay({
  label,
  ways,
  value,
  onChange,
}: {
  label: string;
  ways: readonly Way[];
  value: string;
  onChange: (id: string) => void;
}) {
  const groups = [...new Set(ways.map((way) => way.group))];
  return (
    <label className="text-sm text-faded">
      {label}
      <select
        className="block w-64 rounded border border-faded bg-sheet px-2 py-1 text-base text-ink"
        value={value}
        onChange={(event) => onChange(event.target.value)}
      >
        {groups.map((group) => {
          const options = ways
            .filter((way) => way.group === group)
            .map((way) => (
              <option key={way.id} value={way.id}>
                {way.label}
              </option>
            ));
          return group ? (
            <optgroup key={group} label={group}>
              {options}
            </optgroup>
          ) : (
            options
          );
        })}
      </select>
    </label>
  );
}

const STROKES: Record<string, string> = { cut: "", fold: "10 4", thread: "" };

function Side({
  comparison,
  all,
  onDone,
}: {
  comparison: Comparison;
  all: boolean;
  onDone: () => void;
}) {
  const session = useSession();
  const person = usePerson();
  const [lit, point] = useState("");
  const rows = [...comparison.pieces, ...comparison.rows].filter((row) => all || row.differs);
  return (
    <div className="grid gap-4 lg:grid-cols-[27rem_1fr]">
      <div className="compared flex h-[32rem] flex-col gap-2">
        {comparison.drawings.map((drawing) => (
          <DrawingView
            key={drawing.id}
            drawing={drawing}
            lit={lit}
            onPoint={point}
            grain={false}
            inches={person.units === "inch"}
            legend={false}
          />
        ))}
      </div>
      <div className="overflow-x-auto">
        <table className="figures w-full text-left text-sm">
          <caption className="sr-only">{t("boards.sizesInEveryWay")}</caption>
          <thead>
            <tr className="border-b border-rule align-bottom">
              <th scope="col" className="font-normal text-faded">
                {all ? t("boards.sizes") : t("boards.whereTheyDiffer")}
              </th>
              {comparison.columns.map((column, index) => (
                <th
                  key={index}
                  scope="col"
                  className={`px-2 py-1 ${lit === `variant.${index}` ? "bg-linen" : ""}`}
                  onMouseEnter={() => point(`variant.${index}`)}
                  onMouseLeave={() => point("")}
                >
                  <svg width={44} height={8} aria-hidden className="drawing">
                    <line
                      className={`pen pen-${column.layer}`}
                      strokeDasharray={STROKES[column.layer]}
                      x1={0}
                      x2={44}
                      y1={4}
                      y2={4}
                    />
                  </svg>
                  <span className="block">{column.label}</span>
                  <span className="block font-normal text-faded">{column.words}</span>
                  {column.stops > 0 && (
                    <span className="block text-madder">{t("boards.stop")}</span>
                  )}
                  {column.stops === 0 && column.minds > 0 && (
                    <span className="block text-amber">
                      {t("boards.mindsToMind", { minds: column.minds })}
                    </span>
                  )}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr
                key={row.id}
                className={`border-b border-rule ${row.differs ? "" : "text-faded"}`}
              >
                <th scope="row" className="py-1 pr-2 font-normal">
                  {row.label}
                </th>
                {row.shown.map((shown, index) => (
                  <td key={index} className="px-2 py-1">
                    {shown}
                  </td>
                ))}
              </tr>
            ))}
            <tr>
              <td />
              {comparison.columns.map((column, index) => (
                <td key={index} className="px-2 py-2">
                  {Object.keys(column.patch).length > 0 && (
                    <Button
                      changes
                      className="text-sm"
                      aria-label={t("boards.chooseLabel", { label: column.label })}
                      onClick={() => {
                        session.apply(column.patch);
                        onDone();
                      }}
                    >
                      {t("common.chooseIt")}
                    </Button>
                  )}
                </td>
              ))}
            </tr>
          </tbody>
        </table>
        {rows.length === 0 && <p className="py-2">{t("boards.allOfThemComeToThe")}</p>}
      </div>
    </div>
  );
}
