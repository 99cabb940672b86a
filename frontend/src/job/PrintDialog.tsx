/** What is printed of a job: chosen on the left, seen as it will look on the right. */
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, type OfferedPaper, type Person, unwrap } from "../api/client";
import { useOptions } from "../app/choices";
import { useChangePreferences, usePerson } from "../app/person";
import { t } from "../app/words";
import { Pick, Tick } from "../parts/controls";
import { Modal } from "../parts/Modal";
import { Pager } from "../parts/Pager";
import { useSession } from "./context";

type Kind = OfferedPaper["kind"];

const WORDS = {
  "job-sheet": ["papers.jobSheet", "papers.jobSheetSays"],
  "bench-card": ["papers.benchCard", "papers.benchCardSays"],
  "cut-list": ["papers.cutList", "papers.cutListSays"],
  templates: ["papers.templates", "papers.templatesSay"],
} as const;

export function PrintDialog({
  jobId,
  open,
  onOpenChange,
}: {
  jobId: number;
  open: boolean;
  onOpenChange: (open: boolean) => void;
}) {
  return (
    <Modal open={open} onOpenChange={onOpenChange} title={t("papers.print")} wider>
      {open && <Papers jobId={jobId} />}
    </Modal>
  );
}

function Papers({ jobId }: { jobId: number }) {
  const session = useSession();
  const { paper } = usePerson();
  const offered = useQuery({
    queryKey: ["papers", jobId, paper],
    queryFn: async () => {
      await session.save();
      const params = { path: { job_id: jobId }, query: { paper } };
      return unwrap(await api.GET("/api/jobs/{job_id}/bench-papers", { params }));
    },
    gcTime: 0,
  });
  if (offered.error) return <p role="alert">{offered.error.message}</p>;
  if (!offered.data) return <p>{t("common.oneMoment")}</p>;
  return <Chosen key={paper} jobId={jobId} papers={offered.data} />;
}

function Chosen({ jobId, papers }: { jobId: number; papers: readonly OfferedPaper[] }) {
  const { paper } = usePerson();
  const preferences = useChangePreferences();
  const sizes = useOptions<Person["paper"]>("house.paper");
  const [kind, setKind] = useState<Kind>("job-sheet");
  const [chosen, setChosen] = useState(
    () =>
      new Set(
        papers
          .flatMap((each) => each.parts)
          .filter((each) => each.chosen)
          .map((each) => each.id),
      ),
  );
  const offered = papers.find((each) => each.kind === kind)?.parts ?? [];
  const parts = offered.filter((each) => chosen.has(each.id)).map((each) => each.id);
  const put = (id: string, has: boolean) => {
    const next = new Set(chosen);
    if (has) next.add(id);
    else next.delete(id);
    setChosen(next);
  };
  return (
    <div className="grid gap-6 md:grid-cols-[17rem_1fr]">
      <div className="space-y-4">
        <fieldset>
          <legend className="sr-only">{t("papers.what")}</legend>
          {papers.map((each) => (
            <label
              key={each.kind}
              className="flex cursor-pointer gap-2 rounded p-1.5 hover:bg-linen"
            >
              <input
                type="radio"
                name="paper"
                className="mt-1 size-[18px] shrink-0 accent-hill"
                checked={each.kind === kind}
                onChange={() => setKind(each.kind)}
              />
              <span>
                <span className="font-semibold">{t(WORDS[each.kind][0])}</span>
                <span className="block text-sm text-faded">{t(WORDS[each.kind][1])}</span>
              </span>
            </label>
          ))}
        </fieldset>
        <Pick
          label={t("common.printedOn")}
          value={paper}
          options={sizes}
          onChange={(size) => preferences.mutate({ paper: size })}
        />
        {offered.length > 0 && (
          <fieldset>
            <legend className="text-sm text-faded">
              {kind === "job-sheet" ? t("papers.alsoPrint") : t("papers.theseTemplates")}
            </legend>
            {offered.map((each) => (
              <Tick
                key={each.id}
                checked={chosen.has(each.id)}
                onChange={(checked) => put(each.id, checked)}
              >
                {each.title}
              </Tick>
            ))}
          </fieldset>
        )}
      </div>
      <Preview key={`${kind} ${parts.join(" ")}`} jobId={jobId} kind={kind} parts={parts} />
    </div>
  );
}

function Preview({ jobId, kind, parts }: { jobId: number; kind: Kind; parts: readonly string[] }) {
  const { paper } = usePerson();
  const [page, setPage] = useState(1);
  const query = new URLSearchParams([["paper", paper], ...parts.map((part) => ["parts", part])]);
  const base = `/api/jobs/${jobId}/bench-papers/${kind}`;
  const counted = useQuery({
    queryKey: ["paper pages", jobId, kind, paper, parts],
    queryFn: async () => {
      const params = { path: { job_id: jobId, kind }, query: { paper, parts: [...parts] } };
      return unwrap(await api.GET("/api/jobs/{job_id}/bench-papers/{kind}/pages", { params }));
    },
    placeholderData: keepPreviousData,
    gcTime: 0,
  });
  const nothing = kind === "templates" && parts.length === 0;
  if (nothing) return <p className="self-center text-faded">{t("papers.chooseATemplate")}</p>;
  const pages = counted.data?.pages ?? 1;
  return (
    <section aria-label={t("papers.asItWillLook")} className="flex min-w-0 flex-col gap-2">
      <div className="flex h-[62vh] items-center justify-center border border-rule bg-linen p-3">
        <img
          src={`${base}/${page}.png?${query}`}
          alt={t("papers.pageOf", { title: t(WORDS[kind][0]), page, pages })}
          className="max-h-full max-w-full border border-rule bg-white"
        />
      </div>
      <div className="flex flex-wrap items-center justify-between gap-3">
        <Pager
          page={page}
          pages={pages}
          counted={t("papers.pages", { count: pages })}
          onPage={setPage}
        />
        <a
          className="rounded border border-hill bg-hill px-2.5 py-1 font-medium text-on-hill hover:opacity-90"
          href={`${base}.pdf?${query}`}
          target="_blank"
          rel="noreferrer"
        >
          {t("papers.openThePDF")}
        </a>
      </div>
      {counted.error && <p role="alert">{counted.error.message}</p>}
    </section>
  );
}
