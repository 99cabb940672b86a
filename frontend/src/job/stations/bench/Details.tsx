/** One operation, opened: why, with what, on which face, what to look at, what goes wrong, the caution. */
import { type ReactNode, useState } from "react";
import type { BenchReply, Operation, Standing } from "../../../api/client";
import { t } from "../../../app/words";
import { ForBinders, ViewOnly } from "../../../app/ViewOnly";
import { Button, Tick } from "../../../parts/controls";
import { useSession, useSnapshot } from "../../context";
import { AddPicture } from "../record/AddPicture";
import { FromStock } from "./FromStock";
import { MeasureField } from "./MeasureField";
import { OperationTimes } from "./OperationTimes";
import { newOwnId } from "./OwnOperations";
import type { Tell } from "./useBench";
import { useLayReady } from "./useLayReady";

export interface OpenOperation {
  operation: Operation;
  standing: Standing;
  cut: BenchReply["cut"];
  tell: Tell;
  /** For a tablet beside the press. */
  big?: boolean;
}

export function Details({ operation, standing, cut, tell }: OpenOperation) {
  return (
    <div className="grid gap-x-6 gap-y-3 py-2 pl-14 text-sm md:grid-cols-2">
      <What operation={operation} standing={standing} cut={cut} tell={tell} />
      <ForBinders>
        <div className="space-y-2 md:col-span-2">
          <Note operation={operation} tell={tell} />
          <OperationTimes operation={operation} />
          <LeaveOut operation={operation} />
        </div>
      </ForBinders>
    </div>
  );
}

/** What an operation is, and what is told of it: sizes, looks, pieces cut. */
export function What({ operation, standing, cut, tell, big = false }: OpenOperation) {
  const { wait } = operation;
  return (
    <>
      <p className="md:col-span-2">{operation.why}</p>
      {operation.hand && <p className="font-semibold md:col-span-2">{operation.hand}</p>}
      <Part title={t("bench.pieces")} shown={operation.pieces.length > 0}>
        <PiecesToCut operation={operation} cut={cut} tell={tell} />
      </Part>
      {operation.moves.length > 0 && (
        <ol className="list-decimal space-y-0.5 pl-5 md:col-span-2">
          {operation.moves.map((move) => (
            <li key={move}>{move}</li>
          ))}
        </ol>
      )}
      <Part title={t("bench.tools")} shown={operation.tools.length > 0}>
        <li>{operation.tools.join(", ")}</li>
        <li className="text-faded">
          {t("bench.occupies", { places: operation.occupies.join(", ") })}
        </li>
      </Part>
      <Part title={t("bench.glue")} shown={operation.glue.length > 0}>
        {operation.glue.map((glue) => (
          <li key={glue.face}>
            {t("bench.glueOn", { adhesive: glue.adhesive, face: glue.face, moves: glue.moves })}
          </li>
        ))}
      </Part>
      <Part title={t("bench.waitAfter")} shown={wait !== null}>
        <li className="figures">
          {wait && t("bench.waitIs", { words: wait.words, lasts: wait.lasts })}
        </li>
        <li>{wait?.ends}</li>
      </Part>
      {operation.measures.length > 0 && !big && (
        <div className="md:col-span-2">
          <h3 className="font-semibold">{t("bench.measure")}</h3>
          <div className="flex flex-wrap gap-x-4 gap-y-2">
            <ViewOnly>
              {operation.measures.map((asked) => (
                <MeasureField
                  key={asked.quantity}
                  asked={asked}
                  operation={operation}
                  tell={tell}
                />
              ))}
            </ViewOnly>
          </div>
        </div>
      )}
      <Part title={t("job.lookAt")} shown={operation.looks.length > 0}>
        {operation.looks.map((look) => (
          <LookTick
            key={look.id}
            text={look.text}
            found={standing.ticked.find((each) => each.look === look.id)?.found}
            onTick={(kind, found) =>
              void tell(kind, { operation: operation.id, look: look.id, found })
            }
          />
        ))}
      </Part>
      <Part title={t("bench.goesWrong")} shown={operation.troubles.length > 0}>
        {operation.troubles.map((trouble) => (
          <li key={trouble.shows}>
            <strong>{trouble.shows}.</strong> {trouble.remedy}
            {trouble.minutes > 0 && <AsStep trouble={trouble} operation={operation} />}
          </li>
        ))}
      </Part>
      {operation.at_once > 0 && (
        <p className="font-semibold text-amber">
          {t("bench.atOnce", { count: operation.at_once })}
        </p>
      )}
      {operation.whole && <p className="font-semibold text-amber">{t("bench.whole")}</p>}
      {operation.caution && (
        <p className="text-faded md:col-span-2">
          <strong>{t("common.caution")}</strong> {operation.caution}
        </p>
      )}
    </>
  );
}

/** What puts it right becomes a step of its own, so that its time is told and planned for. */
function AsStep({
  trouble,
  operation,
}: {
  trouble: Operation["troubles"][number];
  operation: Operation;
}) {
  const session = useSession();
  const own = useSnapshot().draft.bench?.own ?? [];
  if (own.some((each) => each.title === trouble.shows && each.after === operation.id)) return null;
  const step = {
    id: newOwnId(),
    title: trouble.shows,
    why: trouble.remedy,
    after: operation.id,
    minutes: trouble.minutes,
    wait: trouble.wait,
    work: operation.work,
  };
  return (
    <ForBinders>
      {" "}
      <Button changes kind="quiet" onClick={() => session.set("bench.own", [...own, step])}>
        {t("bench.addAsStep")}
      </Button>
    </ForBinders>
  );
}

function PiecesToCut({ operation, cut, tell }: Pick<OpenOperation, "operation" | "cut" | "tell">) {
  const ready = useLayReady(operation.id);
  return operation.pieces.map((piece) => {
    const material = ready?.materials.find((each) => each.piece === piece.piece);
    const known = cut.find((each) => each.piece === piece.piece);
    const words = t("bench.piece", {
      count: piece.count,
      label: piece.label,
      shown: piece.shown,
    });
    return (
      <li key={piece.piece} className="figures">
        <Tick
          checked={known !== undefined}
          onChange={(checked) =>
            void tell(checked ? "cut" : "uncut", { operation: operation.id, piece: piece.piece })
          }
        >
          <span>
            {words}
            {piece.finished && <span className="text-faded">, {piece.finished}</span>}
            {known?.shown && (
              <span className="text-faded"> {t("bench.cutTo", { size: known.shown })}</span>
            )}
          </span>
        </Tick>
        {!known && material && <FromStock material={material} />}
        {known && !known.fits && (
          <Button
            changes
            kind="quiet"
            onClick={() => void tell("cut", { operation: operation.id, piece: piece.piece })}
          >
            {t("bench.cutAgain")}
          </Button>
        )}
      </li>
    );
  });
}

function LookTick({
  text,
  found,
  onTick,
}: {
  text: string;
  /** What was found otherwise; nothing where it was not looked at yet. */
  found: string | undefined;
  onTick: (kind: "looked" | "unlooked", found: string) => void;
}) {
  const [otherwise, setOtherwise] = useState<string | null>(null);
  return (
    <li>
      <Tick
        checked={found !== undefined}
        onChange={(checked) => onTick(checked ? "looked" : "unlooked", "")}
      >
        {text}
      </Tick>
      {found && <p className="pl-8 text-amber">{t("bench.foundInstead", { found })}</p>}
      {otherwise === null ? (
        <Button changes kind="quiet" className="ml-6" onClick={() => setOtherwise(found ?? "")}>
          {t("bench.foundSomethingElse")}
        </Button>
      ) : (
        <form
          className="flex gap-2 pl-8"
          onSubmit={(event) => {
            event.preventDefault();
            onTick("looked", otherwise.trim());
            setOtherwise(null);
          }}
        >
          <input
            aria-label={t("bench.foundSomethingElse")}
            className="h-9 min-w-0 flex-1 rounded border border-faded bg-sheet px-2"
            maxLength={300}
            value={otherwise}
            onChange={(event) => setOtherwise(event.target.value)}
          />
          <Button type="submit">{t("bench.save")}</Button>
        </form>
      )}
    </li>
  );
}

/** Something to remember of an operation, or of the book, and a picture of it. */
export function Note({ operation, tell }: { operation?: Operation; tell: Tell }) {
  const [note, setNote] = useState("");
  const { job } = useSnapshot();
  return (
    <form
      className="flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (!note.trim()) return;
        void tell("noted", { operation: operation?.id ?? "", note: note.trim() });
        setNote("");
      }}
    >
      <label className="min-w-48 flex-1 text-faded">
        {operation ? t("bench.noteFor", { title: operation.title }) : t("bench.noteOnTheBook")}
        <input
          className="block h-9 w-full rounded border border-faded bg-sheet px-2 text-ink"
          maxLength={2000}
          value={note}
          onChange={(event) => setNote(event.target.value)}
        />
      </label>
      <Button type="submit" disabled={!note.trim()}>
        {t("bench.saveNote")}
      </Button>
      <AddPicture jobId={job.id} operation={operation?.id} />
    </form>
  );
}

function LeaveOut({ operation }: { operation: Operation }) {
  const session = useSession();
  const { draft } = useSnapshot();
  const [reason, setReason] = useState<string | null>(null);
  if (operation.own) return null;
  if (reason === null) {
    return (
      <Button kind="quiet" onClick={() => setReason("")}>
        {t("bench.leaveOut")}
      </Button>
    );
  }
  return (
    <form
      className="flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        const left_out = { ...draft.bench?.left_out, [operation.id]: reason.trim() };
        session.set("bench.left_out", left_out);
      }}
    >
      <label className="text-faded">
        {t("bench.leftOutBecause")}
        <input
          className="block h-9 w-72 rounded border border-faded bg-sheet px-2 text-ink"
          maxLength={200}
          required
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
      </label>
      <Button type="submit" disabled={!reason.trim()}>
        {t("bench.leaveOut")}
      </Button>
      <Button kind="quiet" onClick={() => setReason(null)}>
        {t("common.cancel")}
      </Button>
    </form>
  );
}

function Part({ title, shown, children }: { title: string; shown: boolean; children: ReactNode }) {
  if (!shown) return null;
  return (
    <section>
      <h3 className="font-semibold">{title}</h3>
      <ViewOnly>
        <ul className="space-y-0.5">{children}</ul>
      </ViewOnly>
    </section>
  );
}
