/** By when a book is promised: when it could be ready, what that does to others, and what would help. */
import { t } from "../app/words";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, unwrap, type WhenReady } from "../api/client";
import { Button, Tick } from "../parts/controls";
import { Modal } from "../parts/Modal";
import { clockOf, usePromise, usePromising } from "./useWeek";

export function PromiseDialog({
  job,
  title,
  zone,
  onClose,
}: {
  job: number;
  title: string;
  zone: string;
  onClose: () => void;
}) {
  const agreed = usePromise(job);
  return (
    <Modal open onOpenChange={onClose} title={t("week.promiseOfTitle", { title })} wide>
      {agreed.data ? (
        <Form job={job} zone={zone} agreed={agreed.data} onClose={onClose} />
      ) : (
        <p role={agreed.error ? "alert" : undefined}>
          {agreed.error?.message ?? t("common.oneMoment")}
        </p>
      )}
    </Modal>
  );
}

function Form({
  job,
  zone,
  agreed,
  onClose,
}: {
  job: number;
  zone: string;
  agreed: { promised: string | null; taken_up: boolean };
  onClose: () => void;
}) {
  const clock = clockOf(zone);
  const [day, setDay] = useState(agreed.promised ? clock.date(agreed.promised) : "");
  const [at, setAt] = useState(agreed.promised ? clock.hour(agreed.promised) : "18:00");
  const [taken, setTaken] = useState(agreed.taken_up);
  const promising = usePromising();
  const when = useQuery({
    queryKey: ["promise", job, "when"],
    queryFn: async () =>
      unwrap(await api.GET("/api/jobs/{job_id}/when", { params: { path: { job_id: job } } })),
    retry: false,
  });
  const keep = (promised: string | null) =>
    promising.mutate(
      { job, promised, at: promised ? at : null, taken_up: taken },
      { onSuccess: onClose },
    );
  return (
    <div className="space-y-4">
      <section aria-live="polite">
        <h3 className="font-semibold">{t("week.whenCouldItBeReady")}</h3>
        {when.error && <p className="text-madder">{when.error.message}</p>}
        {when.isLoading && <p className="text-faded">{t("week.reckoning")}</p>}
        {when.data && <Answer found={when.data} />}
      </section>
      <section className="flex flex-wrap items-end gap-3">
        <label className="text-sm text-faded">
          {t("week.promisedFor")}
          <input
            type="date"
            className="block h-8 rounded border border-faded bg-sheet px-2 text-base text-ink"
            value={day}
            onChange={(event) => setDay(event.target.value)}
          />
        </label>
        <label className="text-sm text-faded">
          {t("week.atTheClock")}
          <input
            type="time"
            className="block h-8 rounded border border-faded bg-sheet px-2 text-base text-ink"
            value={at}
            onChange={(event) => setAt(event.target.value)}
          />
        </label>
        <Tick checked={taken} onChange={setTaken}>
          {t("week.layItOutWithoutAPromise")}
        </Tick>
      </section>
      {promising.error && (
        <p role="alert" className="text-madder">
          {promising.error.message}
        </p>
      )}
      <div className="flex gap-2">
        <Button kind="main" onClick={() => keep(day || null)}>
          {t("week.save")}
        </Button>
        {agreed.promised && (
          <Button onClick={() => keep(null)}>{t("week.removeThePromise")}</Button>
        )}
      </div>
    </div>
  );
}

function Answer({ found }: { found: WhenReady }) {
  return (
    <dl className="mt-1 grid grid-cols-[11rem_1fr] gap-y-1">
      <dt className="text-faded">{t("week.withoutDisturbing")}</dt>
      <dd>
        <Possible {...found.behind} />
      </dd>
      <dt className="text-faded">{t("week.beforeAllOthers")}</dt>
      <dd>
        <Possible {...found.first} />
      </dd>
      {found.helps.length > 0 && (
        <>
          <dt className="text-faded">{t("week.whatWouldHelp")}</dt>
          <dd>
            <ul>
              {found.helps.map((help) => (
                <li key={help.what}>
                  {t("week.helpWhatWords", { what: help.what, words: help.words })}
                </li>
              ))}
            </ul>
          </dd>
        </>
      )}
    </dl>
  );
}

function Possible({ words, others }: { words: string; others: readonly string[] }) {
  return (
    <>
      <span className="font-semibold">{words}</span>
      {others.map((other) => (
        <span key={other} className="block text-sm text-amber">
          {other}
        </span>
      ))}
    </>
  );
}
