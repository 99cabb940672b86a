/** The daybook: all that happened, by day, narrowed down by book, person, material or words. */
import { t } from "../app/words";
import { keepPreviousData, useInfiniteQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link } from "react-router";
import { api, type DaybookEntry, unwrap } from "../api/client";
import { Button, Pick } from "../parts/controls";
import { SearchField } from "../parts/SearchField";
import { useListParams } from "../parts/useListParams";

type Kind = DaybookEntry["kind"];
const LOCAL_DAY = new Intl.DateTimeFormat("en-GB", {
  weekday: "long",
  day: "numeric",
  month: "long",
  year: "numeric",
});
const LOCAL_HOUR = new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit" });

export default function DaybookPage() {
  const { params, show, showAll } = useListParams();
  const [search, person, material, kind, job] = ["search", "person", "material", "kind", "job"].map(
    (name) => params.get(name) ?? "",
  ) as [string, string, string, Kind | "", string];
  useEffect(() => {
    document.title = t("office.daybookWeald");
  }, []);
  const book = useInfiniteQuery({
    queryKey: ["daybook", search, person, material, kind, job],
    queryFn: async ({ pageParam }) =>
      unwrap(
        await api.GET("/api/daybook", {
          params: {
            query: {
              search,
              person,
              material,
              kind: kind || null,
              job: job ? Number(job) : null,
              before: pageParam,
            },
          },
        }),
      ),
    initialPageParam: null as string | null,
    getNextPageParam: (page) => page.earlier,
    placeholderData: keepPreviousData,
  });
  const pages = book.data?.pages ?? [];
  const people = pages[0]?.people ?? [];
  const days = byDay(pages.flatMap(({ entries }) => entries));
  const kinds: readonly (readonly [Kind | "", string])[] = [
    ["", t("office.everything")],
    ["bench", t("office.atTheBench")],
    ["picture", t("office.pictures")],
    ["shelf", t("office.onTheShelf")],
    ["plan", t("office.plans")],
    ["decided", t("office.decided")],
  ];
  return (
    <main className="mx-auto w-full max-w-5xl p-5">
      <div className="mb-3 flex items-baseline gap-3">
        <h1 className="text-3xl font-semibold">{t("common.daybook")}</h1>
        <Link className="ml-auto text-hill underline" to="/daybook/learnt">
          {t("office.whatBooksTeach")}
        </Link>
      </div>
      <div className="mb-4 flex flex-wrap items-end gap-3">
        <SearchField
          label={t("office.searchTheDaybook")}
          value={search}
          onSearch={(words) => show({ search: words })}
        />
        <SearchField
          label={t("office.material")}
          value={material}
          onSearch={(words) => show({ material: words })}
        />
        <Pick
          label={t("office.who")}
          value={person}
          options={[
            ["", t("office.everybody")] as const,
            ...people.map((name) => [name, name] as const),
          ]}
          onChange={(name) => show({ person: name })}
        />
        <Pick
          label={t("office.whatKind")}
          value={kind}
          options={kinds}
          onChange={(next) => show({ kind: next })}
        />
        {(search || person || material || kind || job) && (
          <Button kind="quiet" onClick={() => showAll()}>
            {t("office.showEverything")}
          </Button>
        )}
      </div>
      {book.error && (
        <p role="alert" className="text-madder">
          {book.error.message}
        </p>
      )}
      {book.data && days.length === 0 && (
        <p className="rounded border border-rule bg-linen p-6">{t("office.nothingHappened")}</p>
      )}
      {days.map(([day, entries]) => (
        <section key={day} className="mb-4">
          <h2 className="border-b border-rule text-lg font-semibold">{day}</h2>
          <ul className="divide-y divide-rule">
            {entries.map((entry, row) => (
              <Line
                key={`${entry.at}${row}`}
                entry={entry}
                onJob={(id) => show({ job: String(id) })}
              />
            ))}
          </ul>
        </section>
      ))}
      {book.hasNextPage && (
        <Button disabled={book.isFetchingNextPage} onClick={() => void book.fetchNextPage()}>
          {t("office.earlierDays")}
        </Button>
      )}
    </main>
  );
}

function byDay(entries: readonly DaybookEntry[]): [string, DaybookEntry[]][] {
  const days = new Map<string, DaybookEntry[]>();
  for (const entry of entries) {
    const day = LOCAL_DAY.format(new Date(entry.at));
    days.set(day, [...(days.get(day) ?? []), entry]);
  }
  return [...days];
}

function Line({ entry, onJob }: { entry: DaybookEntry; onJob: (job: number) => void }) {
  return (
    <li className="grid grid-cols-[3.5rem_7rem_1fr] gap-2 py-1.5 text-sm">
      <span className="figures text-faded">{LOCAL_HOUR.format(new Date(entry.at))}</span>
      <span className="truncate text-faded">{entry.author}</span>
      <span>
        <span className="font-semibold">{entry.what}</span>{" "}
        {entry.job !== null && (
          <>
            <Link className="text-hill underline" to={`/jobs/${entry.job}/record`}>
              {entry.book}
            </Link>{" "}
            <Button
              kind="quiet"
              className="text-xs"
              onClick={() => entry.job !== null && onJob(entry.job)}
            >
              {t("office.onlyThisBook")}
            </Button>
          </>
        )}
        {entry.words && <span className="block">{entry.words}</span>}
        {entry.picture && entry.job !== null && (
          <img
            className="mt-1 max-h-40 rounded border border-rule"
            loading="lazy"
            src={`/api/jobs/${entry.job}/pictures/${entry.picture}.jpg`}
            alt={entry.words || entry.what}
          />
        )}
      </span>
    </li>
  );
}
