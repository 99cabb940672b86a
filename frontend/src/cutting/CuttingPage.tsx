/** One layout: its sheets drawn, the cuts in order, what it takes; then to the shears. */
import { t } from "../app/words";
import { useMemo, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import type { CutGroup, CutSheet, Cutting } from "../api/client";
import { useKeys } from "../app/keys";
import { usePerson } from "../app/person";
import { DrawingView } from "../drawing/DrawingView";
import { Button } from "../parts/controls";
import { Menu, MenuLink } from "../parts/Menu";
import { isBusy } from "../api/pauses";
import { CutOtherwise } from "./CutOtherwise";
import { Guillotine } from "./Guillotine";
import { useCutting, useCuttingVerb, useLayOut } from "./useCuttings";

export default function CuttingPage() {
  const { cuttingId = "" } = useParams();
  const cutting = useCutting(cuttingId);
  const verb = useCuttingVerb(cuttingId);
  if (cutting.error && !cutting.data) {
    return (
      <main className="p-8">
        <p role="alert">{cutting.error.message}</p>
        <Link className="text-hill underline" to="/cutting">
          {t("cutting.backToTheCuttingRoom")}
        </Link>
      </main>
    );
  }
  if (!cutting.data) return <main className="p-8">{t("cutting.fetchingTheLayout")}</main>;
  if (isBusy(cutting.data)) {
    return (
      <main className="mx-auto w-full max-w-xl p-10">
        <h1 className="text-2xl font-semibold">{cutting.data.title}</h1>
        <p role="status" className="mt-4">
          {t("cutting.layingThePiecesOutDone", { done: cutting.data.done })}
        </p>
        <progress className="my-2 w-full accent-hill" max={100} value={cutting.data.done} />
        <p className="mb-4 text-faded">{t("cutting.youCanLeaveItGoesOn")}</p>
        <Button onClick={() => verb.mutate("cancel")}>{t("common.cancel")}</Button>
      </main>
    );
  }
  if (cutting.data.state !== "done") {
    return (
      <main className="mx-auto w-full max-w-xl p-10">
        <h1 className="text-2xl font-semibold">{cutting.data.title}</h1>
        <p role="alert" className="my-4">
          {cutting.data.state === "cancelled"
            ? t("cutting.thisLayoutWasCancelled")
            : cutting.data.message}
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
        {t("cutting.layOutAgain")}
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
          {t("common.cutting")}
        </Link>
        <h1 className="min-w-0 flex-1 truncate font-serif text-lg font-semibold">
          {cutting.title}
        </h1>
        <Button changes onClick={() => setDialog("otherwise")}>
          {t("cutting.layOutOtherwise2")}
        </Button>
        <Button onClick={() => setDialog("guillotine")}>{t("cutting.tryOnTheGuillotine")}</Button>
        <Menu label={t("cutting.printForTheShears")} trigger={t("cutting.download")}>
          <MenuLink href={`${base}/sheets.pdf`} newTab>
            {t("cutting.cuttingSheetsToScalePDF")}
          </MenuLink>
          <MenuLink href={`${base}/sheet-${number}.pdf`} newTab>
            {t("cutting.thisSheetAtTrueSizePDF")}
          </MenuLink>
          <MenuLink href={`${base}/sheet-${number}.svg`}>{t("cutting.thisSheetSVG")}</MenuLink>
          <MenuLink href={`${base}/sheets.dxf`}>{t("cutting.allSheetsDXF")}</MenuLink>
          <MenuLink href={`${base}/cuts.csv`}>{t("cutting.theCutsCSV")}</MenuLink>
        </Menu>
        {cutting.booked ? (
          <>
            <span role="status" className="text-sm">
              {t("cutting.cutStockIsOffTheShelf")}
            </span>
            <Button changes onClick={() => verb.mutate("unbook")} disabled={verb.isPending}>
              {t("common.undo")}
            </Button>
          </>
        ) : (
          <Button changes kind="main" onClick={() => verb.mutate("book")} disabled={verb.isPending}>
            {t("cutting.itIsCut")}
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
            <strong className="text-amber">{t("cutting.laidOutBeforeYouChanged")}</strong>{" "}
            {t("cutting.changedPiecesOrTheirStockAre", { changed: cutting.changed.join(", ") })}
          </p>
          <LayOutAgain cutting={cutting} />
        </div>
      )}
      <div className="grid flex-1 grid-cols-1 lg:h-[calc(100vh-6.4rem)] lg:flex-none lg:grid-cols-[16rem_1fr_23rem] lg:grid-rows-[minmax(0,1fr)]">
        <aside className="overflow-y-auto p-3" aria-label={t("cutting.sheetsToCut")}>
          {cutting.groups.map((each) => (
            <GroupCard key={each.item} group={each} number={number} onSheet={setNumber} />
          ))}
          {cutting.without.length > 0 && (
            <section className="mt-3 rounded border border-rule bg-sheet p-2 text-sm">
              <p className="font-semibold text-amber">{t("cutting.notLaidOut")}</p>
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
        <aside className="overflow-y-auto p-3" aria-label={t("cutting.theCuts")}>
          {group && <Summary group={group} />}
          {sheet && <CutTable sheet={sheet} lit={lit} onPoint={setLit} />}
          <p className="mt-3 border-t border-rule pt-2 text-sm text-faded">
            <strong>{t("common.caution")}</strong> {t("cutting.guardAndTwoHandControlStay")}
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
          {usage.label !== group.label && ` ${t("cutting.ofOffcuts")}`}
          <span className={usage.enough ? "text-faded" : "font-semibold text-madder"}>
            {usage.enough
              ? t("cutting.thereThere", { there: usage.there })
              : t("cutting.onlyThereThereBuyMore", { there: usage.there })}
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
              {t("cutting.sheetNumber", { number: sheet.number })}
              {sheet.times > 1 && t("cutting.timesAlike", { times: sheet.times })}
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
        {t("cutting.piecesYieldOffcutsSaved", {
          yieldpercent: group.yield_percent.toFixed(0),
          offcutpercent: group.offcut_percent.toFixed(0),
          wastepercent: group.waste_percent.toFixed(0),
        })}
        {group.price !== null && t("cutting.stockForPrice", { price: group.price.toFixed(2) })}
      </p>
      {group.missing.length > 0 && (
        <p className="text-madder">
          {t("cutting.missingMissing", { missing: group.missing.join(", ") })}
        </p>
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
          {t("cutting.cutsOfSheetNumber", { number: sheet.number })}
          {sheet.times > 1 && t("cutting.timesTimes", { times: sheet.times })}
        </span>
      </caption>
      <thead>
        <tr className="border-b border-rule text-faded">
          <th className="pr-2 font-normal">{t("cutting.cut")}</th>
          <th className="pr-2 font-normal">{t("cutting.atTheGauge")}</th>
          <th className="pr-2 font-normal">{t("cutting.setting")}</th>
          <th className="font-normal">{t("cutting.falls")}</th>
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
                {cut.same_setting && <span className="block text-faded">{t("cutting.asSet")}</span>}
              </td>
              <td>{cut.falls}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
