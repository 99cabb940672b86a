/** What stands between this device and the others: what waits here, what the server asks, what was refused. */
import { useState } from "react";
import { t } from "../../../app/words";
import { Button } from "../../../parts/controls";
import { Modal } from "../../../parts/Modal";
import { useSnapshot } from "../../context";
import { useBench } from "./useBench";

export function BetweenDevices() {
  const { bench, out, outbox } = useBench();
  const { waiting, away, question, refused } = out;
  const { job } = useSnapshot();
  const [reason, setReason] = useState("");
  // undone or decided otherwise since, a measurement changes nothing any more
  const follows = out.reply?.version === job.version ? out.follows : [];
  return (
    <>
      {(away || waiting.length > 0) && (
        <p role="status" className="rounded border border-amber bg-linen px-2 py-1 text-sm">
          {t("bench.noConnection", { count: waiting.length })}
        </p>
      )}
      {refused && (
        <p role="alert" className="text-sm text-madder">
          {refused}
        </p>
      )}
      {follows.length > 0 && (
        <div role="status" className="rounded border border-rule bg-linen px-2 py-1 text-sm">
          <p className="font-semibold">{t("bench.whatItChanges")}</p>
          <ul>
            {follows.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        </div>
      )}
      {(bench?.cut_short ?? []).map((title) => (
        <p key={title} className="text-sm text-amber">
          {t("bench.cutShort", { title })}
        </p>
      ))}
      {question && (
        <Modal
          open
          onOpenChange={() => outbox.letBe()}
          title={question.entry.kind === "measured" ? t("bench.isItSo") : t("bench.tooEarly")}
        >
          <p>{question.message}</p>
          <p className="mt-2 text-sm text-faded">
            {question.entry.kind === "measured"
              ? t("bench.ifItIsSoItGoesOn")
              : t("bench.inTheRecord")}
          </p>
          {question.entry.kind !== "measured" && (
            <label className="mt-2 block text-sm text-faded">
              {t("bench.whyEarly")}
              <input
                className="block h-9 w-full rounded border border-faded bg-sheet px-2 text-ink"
                maxLength={200}
                value={reason}
                onChange={(event) => setReason(event.target.value)}
              />
            </label>
          )}
          <p className="mt-3 flex gap-3">
            <Button kind="main" onClick={() => outbox.letBe()}>
              {question.entry.kind === "measured" ? t("bench.measureAgain") : t("bench.wait")}
            </Button>
            <Button
              onClick={() => {
                void outbox.insist(reason.trim());
                setReason("");
              }}
            >
              {question.entry.kind === "measured" ? t("bench.itIsSo") : t("bench.doItNow")}
            </Button>
          </p>
        </Modal>
      )}
    </>
  );
}
