/** One layout: its sheets drawn, the cuts in order, what it takes; then to the shears. */
import { useMemo, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import type { CutGroup, CutSheet, Cutting } from "../api/client";
import { useKeys } from "../app/keys";
import { usePerson } from "../app/person";
import { DrawingView } from "../drawing/DrawingView";
import { Button } from "../parts/controls";
import { Menu, MenuLink } from "../parts/Menu";
import { isBusy } from "../parts/poll";
import { CutOtherwise } from "./CutOtherwise";
import { Guillotine } from "./Guillotine";
import { useCutting, useCuttingVerb, useLayOut } from "./useCuttings";

export default function CuttingPage() {
  const { cuttingId = "" } = useParams();
  const cutting = useCutting(cuttingId);
  const verb = useCuttingVerb(cuttingId);
  if (cutting.error) {
    return (
      <main className="p-8">
        <p role="alert">{cutting.error.message}</p>
        <Link className="text-hill underline" to="/cutting">
          Back to the cutting room
        </Link>
      </main>
    );
  }
  if (!cutting.data) return <main className="p-8">Fetching the layout …</main>;
  if (isBusy(cutting.data)) {
    return (
      <main className="mx-auto w-full max-w-xl p-10">
        <h1 className="text-2xl font-semibold">{cutting.data.title}</h1>
        <p role="status" className="mt-4">
          Laying the pieces out: {cutting.data.done} %
        </p>
        <progress className="my-2 w-full accent-hill" max={100} value={cutting.data.done} />
        <p className="mb-4 text-faded">You can leave; it goes on.</p>
        <Button onClick={() => verb.mutate("cancel")}>Cancel</Button>
      </main>
    );
  }
  if (cutting.data.state !== "done") {
    return (
      <main className="mx-auto w-full max-w-xl p-10">
        <h1 className="text-2xl font-semibold">{cutting.data.title}</h1>
        <p role="alert" className="my-4">
          {cutting.data.state === "cancelled" ? "This layout was cancelled." : cutting.data.message}
        </p>
        <LayOutAgain cutting={cutting.data} />
      </main>
    );
  }
  return <LaidOut key={cuttingId} cutting={cutting.data} />;
}

function LayOutAgain({ cutting }: { cutting: Cutting }) {
  const navigate = useNavigate();
  const layOut = useLayOut((id) => void navigate(`/cutting/${id}`));
  return (
    <>
      <Button kind="main" onClick={() => layOut.mutate(cutting.options)}>
        Lay out again
      </Button>
      {layOut.error && (
        <p role="alert" className="mt-2 text-madder">
          {layOut.error.message}
        </p>
      )}
    </>
  );
}

function LaidOut({ cutting }: { cutting: Cutting }) {
  const person = usePerson();
  const navigate = useNavigate();
  const verb = useCuttingVerb(cutting.id);
  const sheets = useMemo(() => cutting.groups.flatMap((group) => group.sheets), [cutting.groups]);
  const [number, setNumber] = useState(1);
  const [lit, setLit] = useState("");
  const [grain, setGrain] = useState(true);
  const [dialog, setDialog] = useState<"otherwise" | "guillotine" | null>(null);
  useKeys(
    useMemo(
      () => ({
        "[": () => setNumber((at) => Math.max(1, at - 1)),
        "]": () => setNumber((at) => Math.min(sheets.length, at + 1)),
        g: () => setGrain((shown) => !shown),
      }),
      [sheets.length],
    ),
  );
  const sheet = sheets.find((each) => each.number === number);
  const group = cutting.groups.find((each) => each.sheets.some((one) => one.number === number));
  const base = `/api/cuttings/${cutting.id}`;
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <div className="flex flex-wrap items-center gap-3 border-b border-rule px-4 py-1.5">
        <Link to="/cutting" className="text-sm text-hill underline">
          Cutting
        </Link>
        <h1 className="min-w-0 flex-1 truncate font-serif text-lg font-semibold">
          {cutting.title}
        </h1>
        <Button onClick={() => setDialog("otherwise")}>Lay out otherwise …</Button>
        <Button onClick={() => setDialog("guillotine")}>Try on the guillotine</Button>
        <Menu label="Take to the shears" trigger="Take away">
          <MenuLink href={`${base}/sheets.pdf`} newTab>
            Cutting sheets, to scale (PDF)
          </MenuLink>
          <MenuLink href={`${base}/sheet-${number}.pdf`} newTab>
            This sheet at true size (PDF)
          </MenuLink>
          <MenuLink href={`${base}/sheet-${number}.svg`}>This sheet (SVG)</MenuLink>
          <MenuLink href={`${base}/sheets.dxf`}>All sheets (DXF)</MenuLink>
          <MenuLink href={`${base}/cuts.csv`}>The cuts (CSV)</MenuLink>
        </Menu>
        {cutting.booked ? (
          <>
            <span role="status" className="text-sm">
              Cut: stock is off the shelf, offcuts are on it.
            </span>
            <Button onClick={() => verb.mutate("unbook")} disabled={verb.isPending}>
              Undo
            </Button>
          </>
        ) : (
          <Button kind="main" onClick={() => verb.mutate("book")} disabled={verb.isPending}>
            It is cut
          </Button>
        )}
      </div>
      {verb.error && (
        <p role="alert" className="border-b border-rule px-4 py-1.5 text-madder">
          {verb.error.message}
        </p>
      )}
      {cutting.changed.length > 0 && (
        <div className="flex flex-wrap items-center gap-3 border-b border-rule px-4 py-1.5">
          <p>
            <strong className="text-amber">▲ Laid out before you changed</strong>{" "}
            {cutting.changed.join(", ")}: pieces or their stock are not the same any more.
          </p>
          <LayOutAgain cutting={cutting} />
        </div>
      )}
      <div className="grid flex-1 grid-cols-1 lg:h-[calc(100vh-6.4rem)] lg:flex-none lg:grid-cols-[16rem_1fr_23rem] lg:grid-rows-[minmax(0,1fr)]">
        <aside className="overflow-y-auto p-3" aria-label="Sheets to cut">
          {cutting.groups.map((each) => (
            <GroupCard key={each.item} group={each} number={number} onSheet={setNumber} />
          ))}
          {cutting.without.length > 0 && (
            <section className="mt-3 rounded border border-rule bg-sheet p-2 text-sm">
              <p className="font-semibold text-amber">▲ Not laid out</p>
              <ul className="list-disc pl-4">
                {cutting.without.map((text) => (
                  <li key={text}>{text}</li>
                ))}
              </ul>
            </section>
          )}
        </aside>
        <main className="flex min-h-[30rem] min-w-0 flex-col border-x border-rule p-3 lg:min-h-0">
          {sheet && (
            <DrawingView
              drawing={sheet.drawing}
              lit={lit}
              onPoint={setLit}
              grain={grain}
              inches={person.units === "inch"}
              legend
            />
          )}
        </main>
        <aside className="overflow-y-auto p-3" aria-label="The cuts">
          {group && <Summary group={group} />}
          {sheet && <CutTable sheet={sheet} lit={lit} onPoint={setLit} />}
          <p className="mt-3 border-t border-rule pt-2 text-sm text-faded">
            <strong>Caution.</strong> Guard and two-hand control stay on, one person operates; with
            a knife several light cuts along a steel rule, the hand behind the blade. Follow the
            tool maker's instructions and your workplace's rules.
          </p>
        </aside>
      </div>
      {dialog === "otherwise" && (
        <CutOtherwise
          cutting={cutting}
          onClose={() => setDialog(null)}
          onAsked={(id) => {
            setDialog(null);
            void navigate(`/cutting/${id}`);
          }}
        />
      )}
      {dialog === "guillotine" && (
        <Guillotine cuttingId={cutting.id} onClose={() => setDialog(null)} />
      )}
    </div>
  );
}

function GroupCard({
  group,
  number,
  onSheet,
}: {
  group: CutGroup;
  number: number;
  onSheet: (number: number) => void;
}) {
  return (
    <section className="mb-3">
      <h2 className="text-base leading-tight font-semibold">{group.label}</h2>
      {group.usage.map((usage) => (
        <p key={usage.stock} className="text-sm">
          {usage.taken}
          {usage.label !== group.label && " of offcuts"}
          <span className={usage.enough ? "text-faded" : "font-semibold text-madder"}>
            {usage.enough ? `, ${usage.there} there` : `: ■ only ${usage.there} there, buy more`}
          </span>
        </p>
      ))}
      <ul>
        {group.sheets.map((sheet) => (
          <li key={sheet.number}>
            <button
              type="button"
              aria-current={sheet.number === number || undefined}
              className="w-full rounded px-2 py-1 text-left text-sm hover:bg-linen aria-[current]:bg-linen aria-[current]:font-semibold"
              onClick={() => onSheet(sheet.number)}
            >
              Sheet {sheet.number}
              {sheet.times > 1 && `, ${sheet.times} alike`}
              <span className="block font-normal text-faded">{sheet.pieces.join(", ")}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Summary({ group }: { group: CutGroup }) {
  return (
    <section className="mb-3 text-sm">
      <h2 className="text-lg font-semibold">{group.label}</h2>
      <p>{group.verdict}</p>
      <p className="figures text-faded">
        Pieces {group.yield_percent.toFixed(0)} %, offcuts kept {group.offcut_percent.toFixed(0)} %,
        waste {group.waste_percent.toFixed(0)} %
        {group.price !== null && `; stock for ${group.price.toFixed(2)}`}
      </p>
      {group.missing.length > 0 && (
        <p className="text-madder">■ Missing: {group.missing.join(", ")}</p>
      )}
    </section>
  );
}

function CutTable({
  sheet,
  lit,
  onPoint,
}: {
  sheet: CutSheet;
  lit: string;
  onPoint: (ids: string) => void;
}) {
  return (
    <table className="figures w-full text-left text-sm">
      <caption className="pb-1 text-left text-lg font-semibold">
        <span className="font-serif">
          Cuts of sheet {sheet.number}
          {sheet.times > 1 && `, ${sheet.times} times`}
        </span>
      </caption>
      <thead>
        <tr className="border-b border-rule text-faded">
          <th className="pr-2 font-normal">Cut</th>
          <th className="pr-2 font-normal">At the gauge</th>
          <th className="pr-2 font-normal">Setting</th>
          <th className="font-normal">Falls</th>
        </tr>
      </thead>
      <tbody>
        {sheet.cuts.map((cut) => {
          const id = `cut.${sheet.number}.${cut.number}`;
          return (
            <tr
              key={cut.number}
              className={`border-b border-rule align-top ${lit === id ? "bg-linen" : ""}`}
              onMouseEnter={() => onPoint(id)}
              onMouseLeave={() => onPoint("")}
            >
              <td className="py-1 pr-2">{cut.number}</td>
              <td className="pr-2">
                {cut.part}, {cut.gauge}
              </td>
              <td className="pr-2 whitespace-nowrap">
                {cut.setting}
                {cut.same_setting && <span className="block text-faded">as set</span>}
              </td>
              <td>{cut.falls}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
