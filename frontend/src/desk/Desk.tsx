/** The desk: the workshop's jobs, and how to begin one. */
import { t } from "../app/words";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link } from "react-router";
import { api, type JobRow, type JobState, unwrap } from "../api/client";
import { useOptions } from "../app/choices";
import { ForBinders, ViewOnly } from "../app/ViewOnly";
import { Button, Choice, SeverityMark } from "../parts/controls";
import { Menu, MenuAction, MenuLink } from "../parts/Menu";
import { Pager } from "../parts/Pager";
import { SearchField } from "../parts/SearchField";
import { type Direction, SortHeader } from "../parts/SortHeader";
import { useListParams } from "../parts/useListParams";
import { useWeek } from "../week/useWeek";
import { AtTheBench } from "./AtTheBench";
import { BooksStanding } from "./BooksStanding";
import { ImportButton, NewJob } from "./NewJob";
import { Rename } from "./Rename";
import { useDeskVerb } from "./useDesk";

type Sort = "-updated" | "updated" | "title" | "-title";

export default function Desk() {
  const { params, show, showAll } = useListParams();
  const search = params.get("search") ?? "";
  const archived = params.get("archived") === "yes";
  const state = (params.get("state") || undefined) as JobState | undefined;
  const sort = (params.get("sort") ?? "-updated") as Sort;
  const page = Number(params.get("page") ?? "1");
  const [making, setMaking] = useState(false);
  const [renaming, setRenaming] = useState<JobRow | null>(null);
  const states = useOptions<JobState>("job.state");
  const verb = useDeskVerb();
  const today = useWeek(null, 1);

  const jobs = useQuery({
    queryKey: ["jobs", { search, archived, state, sort, page }],
    queryFn: async () =>
      unwrap(
        await api.GET("/api/jobs", { params: { query: { search, archived, state, sort, page } } }),
      ),
    placeholderData: keepPreviousData,
  });
  useEffect(() => {
    document.title = t("desk.deskWeald");
  }, []);

  const nothing = jobs.data?.count === 0;
  const filtered = search !== "" || state !== undefined || archived;
  return (
    <main className="mx-auto w-full max-w-6xl p-5" aria-busy={today.isPending}>
      <div className="mb-4 flex flex-wrap items-center gap-3">
        <h1 className="text-3xl font-semibold">{t("common.desk")}</h1>
        <span className="ml-auto flex gap-2">
          <ForBinders>
            <ImportButton />
          </ForBinders>
          <Button changes kind="main" onClick={() => setMaking(true)}>
            {t("desk.newJob")}
          </Button>
        </span>
      </div>
      {jobs.data && !nothing && !today.isPending && (
        <BooksStanding jobs={jobs.data.jobs} week={today.data} />
      )}
      <AtTheBench week={today.data} />
      <div
        className={`mb-3 flex flex-wrap items-end gap-3 ${today.isPending || jobs.isPending ? "invisible" : ""}`}
      >
        <SearchField
          label={t("desk.searchByTitle")}
          value={search}
          onSearch={(text) => show({ search: text })}
        />
        <label className="text-sm text-faded">
          {t("desk.state")}
          <select
            className="ml-2 rounded border border-faded bg-sheet px-2 py-1 text-base text-ink"
            value={state ?? ""}
            onChange={(event) => show({ state: event.target.value })}
          >
            <option value="">{t("desk.all")}</option>
            {states.map(([value, text]) => (
              <option key={value} value={value}>
                {text}
              </option>
            ))}
          </select>
        </label>
        <Choice
          label={t("desk.whichJobs")}
          value={archived ? "archived" : "current"}
          options={[
            { value: "current", label: t("desk.current") },
            { value: "archived", label: t("desk.archived") },
          ]}
          onChange={(which) => show({ archived: which === "archived" ? "yes" : "" })}
        />
      </div>
      {verb.error && (
        <p role="alert" className="mb-2 text-madder">
          {verb.error.message}
        </p>
      )}
      {jobs.error && (
        <p role="alert" className="text-madder">
          {t("desk.messageTheListComesBackBy", { message: jobs.error.message })}
        </p>
      )}
      {nothing && !filtered && <Empty onBegin={() => setMaking(true)} />}
      {nothing && filtered && (
        <p className="rounded border border-rule bg-linen p-6">
          {t(archived ? "desk.noArchivedJobAnswers" : "desk.noJobAnswers")}{" "}
          <Button kind="quiet" onClick={() => showAll()}>
            {t("desk.showAllCurrentJobs")}
          </Button>
        </p>
      )}
      {/* with what stands above it: a list that moves under the hand opens another job, or none */}
      {jobs.data && !nothing && !today.isPending && (
        <>
          <JobTable
            jobs={jobs.data.jobs}
            sort={sort}
            onSort={(next) => show({ sort: next })}
            onState={(job, next) => verb.mutate({ verb: "state", job, state: next })}
            onDo={(what, job) => verb.mutate({ verb: what, job })}
            onRename={setRenaming}
          />
          <Pager
            page={page}
            pages={jobs.data.pages}
            counted={t("desk.countJobs", { count: jobs.data.count })}
            onPage={(next) => show({ page: String(next) })}
          />
        </>
      )}
      <NewJob open={making} onOpenChange={setMaking} />
      {renaming && (
        <Rename
          job={renaming}
          onClose={() => setRenaming(null)}
          onRename={(title) => verb.mutate({ verb: "rename", job: renaming, title })}
        />
      )}
    </main>
  );
}

function directionOf(key: "title" | "updated", sort: Sort): Direction {
  return sort === key ? "ascending" : sort === `-${key}` ? "descending" : "none";
}

function JobTable({
  jobs,
  sort,
  onSort,
  onState,
  onDo,
  onRename,
}: {
  jobs: readonly JobRow[];
  sort: Sort;
  onSort: (sort: Sort) => void;
  onState: (job: JobRow, state: JobState) => void;
  onDo: (what: "duplicate" | "archive" | "restore", job: JobRow) => void;
  onRename: (job: JobRow) => void;
}) {
  const states = useOptions<JobState>("job.state");
  return (
    <table className="w-full text-left">
      <thead className="text-sm text-faded">
        <tr className="border-b border-rule">
          <SortHeader
            title={t("common.title")}
            direction={directionOf("title", sort)}
            onSort={() => onSort(sort === "title" ? "-title" : "title")}
          />
          <th className="hidden font-normal lg:table-cell">{t("desk.binding")}</th>
          <th className="font-normal">{t("desk.state")}</th>
          <th className="hidden font-normal lg:table-cell">{t("desk.toMind")}</th>
          <SortHeader
            title={t("desk.changed")}
            direction={directionOf("updated", sort)}
            onSort={() => onSort(sort === "-updated" ? "updated" : "-updated")}
            className="hidden md:table-cell"
          />
          <th>
            <span className="sr-only">{t("common.more")}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {jobs.map((job) => (
          <tr key={job.id} className="border-b border-rule align-top">
            <th scope="row" className="py-2.5 pr-3 font-normal">
              <Link
                to={`/jobs/${job.id}`}
                className="font-serif text-lg leading-snug font-semibold text-hill hover:underline"
              >
                {job.title}
              </Link>
              <span className="mt-1 block text-sm lg:hidden">
                <ToMind job={job} />
              </span>
            </th>
            <td className="hidden py-3 pr-3 whitespace-nowrap lg:table-cell">
              {job.structure_words}
            </td>
            <td className="py-2 pr-3">
              <ViewOnly>
                <select
                  aria-label={t("desk.stateOfTitle", { title: job.title })}
                  className="rounded border border-rule bg-sheet px-1.5 py-1"
                  value={job.state}
                  onChange={(event) => onState(job, event.target.value as JobState)}
                >
                  {states.map(([value, text]) => (
                    <option key={value} value={value}>
                      {text}
                    </option>
                  ))}
                </select>
              </ViewOnly>
            </td>
            <td className="hidden max-w-80 py-3 pr-3 text-sm lg:table-cell">
              <ToMind job={job} />
            </td>
            <td className="figures hidden py-3 pr-3 text-sm whitespace-nowrap text-faded md:table-cell">
              {new Date(job.updated).toLocaleDateString([], { dateStyle: "medium" })}
            </td>
            <td className="py-2 text-right">
              <JobMenu job={job} onDo={onDo} onRename={onRename} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function ToMind({ job }: { job: JobRow }) {
  if (!job.to_mind) return <span className="text-faded">{t("desk.nothing")}</span>;
  const more = job.stops + job.minds - 1;
  return (
    <span>
      <SeverityMark severity={job.stops ? "stop" : "mind"} />: {job.to_mind}
      {more > 0 && <span className="text-faded"> {t("desk.andMoreMore", { more })}</span>}
    </span>
  );
}

function JobMenu({
  job,
  onDo,
  onRename,
}: {
  job: JobRow;
  onDo: (what: "duplicate" | "archive" | "restore", job: JobRow) => void;
  onRename: (job: JobRow) => void;
}) {
  return (
    <Menu label={t("desk.moreForTitle", { title: job.title })} trigger="⋯">
      <ForBinders>
        <MenuAction onSelect={() => onRename(job)}>{t("desk.rename")}</MenuAction>
        <MenuAction onSelect={() => onDo("duplicate", job)}>{t("common.duplicate")}</MenuAction>
      </ForBinders>
      <MenuLink href={`/api/jobs/${job.id}/bench-papers/job-sheet.pdf`} newTab>
        {t("common.jobSheetPDF")}
      </MenuLink>
      <MenuLink href={`/api/jobs/${job.id}/job.json`}>{t("common.jobFile")}</MenuLink>
      <ForBinders>
        {job.archived ? (
          <MenuAction onSelect={() => onDo("restore", job)}>{t("desk.restore")}</MenuAction>
        ) : (
          <MenuAction onSelect={() => onDo("archive", job)}>{t("desk.archive")}</MenuAction>
        )}
      </ForBinders>
    </Menu>
  );
}

function Empty({ onBegin }: { onBegin: () => void }) {
  return (
    <section className="rounded border border-rule bg-linen p-8">
      <h2 className="text-2xl font-semibold">{t("desk.whatHaveYouOnTheBench")}</h2>
      <p className="mt-2 max-w-prose">{t("desk.aPrintedTextOrAPile")}</p>
      <Button kind="main" className="mt-4" onClick={onBegin}>
        {t("desk.beginTheFirstJob")}
      </Button>
    </section>
  );
}
