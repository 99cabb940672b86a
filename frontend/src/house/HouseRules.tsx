/** The rules of the workshop: schools, squares by size, gauges, words, hand, paper and rulers. */
import { t, type WordKey } from "../app/words";
import { useQuery } from "@tanstack/react-query";
import { Plus, X } from "lucide-react";
import { Tabs } from "radix-ui";
import { type ReactNode, useCallback, useEffect } from "react";
import { api, type HouseInput, type HouseReply, type RuleEntry, unwrap } from "../api/client";
import { type Port } from "../app/drafts/store";
import { KeptHead } from "../app/drafts/KeptHead";
import { Beside, Meets } from "../app/drafts/Meets";
import { ViewOnly } from "../app/ViewOnly";
import { useKept } from "../app/drafts/useKept";
import { useOptions } from "../app/choices";
import { usePerson } from "../app/person";
import { People } from "./People";
import { asText } from "../job/paths";
import { useEveryExtra } from "../job/extras/useExtras";
import { Button, IconButton, Pick } from "../parts/controls";
import { RowsTable } from "../parts/RowsTable";
import { SearchField } from "../parts/SearchField";
import { TAB } from "../parts/Tabbed";
import { useListParams } from "../parts/useListParams";

const INPUT =
  "figures rounded border border-faded bg-sheet px-2 py-1 aria-invalid:border-2 aria-invalid:border-madder";

type Draft = HouseInput;
type Texts = Record<string, string>;

const PORT: Port<Draft, HouseReply> = {
  write: async (draft, reply, chosen) =>
    unwrap(
      await api.PUT("/api/house", {
        params: { query: { version: reply.version, ...chosen } },
        body: draft,
      }),
    ),
  draftOf: (reply) => reply.house,
  versionOf: (reply) => reply.version,
  atVersion: (reply, version) => ({ ...reply, version }),
};

export default function HouseRules() {
  const person = usePerson();
  const house = useQuery({
    queryKey: ["house", person.units],
    queryFn: async () => unwrap(await api.GET("/api/house")),
    staleTime: Infinity,
    gcTime: 0,
  });
  useEffect(() => {
    document.title = t("house.houseRulesWeald");
  }, []);
  if (house.error && !house.data)
    return (
      <main className="p-8" role="alert">
        {house.error.message}
      </main>
    );
  if (!house.data) return <main className="p-8">{t("house.openingTheRules")}</main>;
  return <Rules key={`${person.units}${house.data.version}`} opened={house.data} />;
}

const ROOMS = ["rules", "glues", "times", "tools", "people"] as const;
type PartOfHouse = (typeof ROOMS)[number];
const ROOM_TITLES: Record<PartOfHouse, WordKey> = {
  rules: "house.rules",
  glues: "house.glues",
  times: "house.times",
  tools: "house.tools",
  people: "house.people",
};

/** A group of things the house rules, under its heading, in one of the tabs. */
interface Group {
  room: PartOfHouse;
  title: string;
  /** What stands in it that cannot be saved as it is: its tab says so. */
  wrong: boolean;
  content: ReactNode;
}

/** Rules are kept when asked to be, not while they are typed: every new job follows them. */
function Rules({ opened }: { opened: HouseReply }) {
  const kept = useKept(opened, PORT, "house", ["me", "extras"]);
  const { draft, reply, errors, meets, beside, settle, seen, change } = kept;
  const { params, show } = useListParams();
  const sought = params.get("search") ?? "";
  const search = useCallback((text: string) => show({ search: text }), [show]);
  const groups = useGroups(draft, reply, errors, change, sought);
  const asked = params.get("part");
  const room = ROOMS.find((each) => each === asked) ?? "rules";
  const found = sought ? groups : groups.filter((each) => each.room === room);
  return (
    <main className="mx-auto w-full max-w-5xl p-4">
      <ViewOnly>
        <KeptHead
          kept={kept}
          title={<h1 className="text-3xl font-semibold">{t("common.houseRules")}</h1>}
          saving={t("house.saveTheseRules")}
        >
          <span className="ml-auto">
            <SearchField label={t("house.findARule")} value={sought} onSearch={search} />
          </span>
        </KeptHead>
        <p className="mb-3 max-w-prose text-sm text-faded">
          {t("house.aNewJobStartsFromTheseRules")}
        </p>
        <Beside beside={beside} onSeen={seen} />
        <Meets meets={meets} onSettle={settle} />
        <Tabs.Root
          value={sought ? "" : room}
          onValueChange={(next) => show({ part: next, search: "" })}
        >
          <Tabs.List
            aria-label={t("house.partsOfTheHouseRules")}
            className="mb-3 flex gap-1 overflow-x-auto border-b border-rule"
          >
            {ROOMS.map((each) => (
              <Tabs.Trigger key={each} value={each} className={TAB}>
                {t(ROOM_TITLES[each])}
                {groups.some((group) => group.room === each && group.wrong) && (
                  <span className="font-semibold text-madder"> {t("house.toPutRight")}</span>
                )}
              </Tabs.Trigger>
            ))}
          </Tabs.List>
          {sought ? (
            <Groups groups={found} />
          ) : (
            <Tabs.Content value={room} tabIndex={-1}>
              <Groups groups={found} />
            </Tabs.Content>
          )}
        </Tabs.Root>
      </ViewOnly>
    </main>
  );
}

function Groups({ groups }: { groups: readonly Group[] }) {
  if (groups.length === 0) return <p role="status">{t("house.nothingIsCalledThat")}</p>;
  return (
    <div className={groups.length > 1 ? "gap-6 lg:columns-2" : ""}>
      {groups.map(({ title, content }) => (
        <Part key={title} title={title}>
          {content}
        </Part>
      ))}
    </div>
  );
}

/** Everything the house can rule, of what is sought where something is. */
function useGroups(
  draft: Draft,
  reply: HouseReply,
  errors: Texts,
  change: (part: Partial<Draft>) => void,
  sought: string,
): readonly Group[] {
  const folded = useOptions<NonNullable<Draft["vocabulary"]>>("house.vocabulary");
  const hands = useOptions<NonNullable<Draft["hand"]>>("house.hand");
  const papers = useOptions<NonNullable<Draft["paper"]>>("house.paper");
  const mmMarks = useOptions("house.mm_division");
  const inchMarks = useOptions("house.inch_division");
  const shown = (path: string, value: unknown): string =>
    typeof value === "string" ? value : value == null ? "" : (reply.inputs[path] ?? asText(value));
  const rule = (entry: RuleEntry, value: string | null) => {
    const kept = Object.entries(draft.rules).filter(([path]) => path !== entry.path);
    const others = Object.fromEntries(kept);
    change({ rules: value === null ? others : { ...others, [entry.path]: value } });
  };
  const ruleField = (entry: RuleEntry) => (
    <Rule
      key={entry.path}
      entry={entry}
      usual={reply.usual[entry.path]}
      value={shown(`rules.${entry.path}`, draft.rules[entry.path])}
      wrong={errors[`rules.${entry.path}`]}
      onChange={(value) => rule(entry, value)}
    />
  );
  const wanted = sought.toLowerCase().split(/\s+/);
  const meant = (...texts: string[]) => {
    const text = texts.join(" ").toLowerCase();
    return wanted.every((word) => text.includes(word));
  };
  const ruled = [...new Set(reply.entries.map((entry) => entry.group))].flatMap(
    (title): Group[] => {
      const entries = reply.entries.filter(
        (entry) => entry.group === title && meant(title, entry.label),
      );
      if (entries.length === 0) return [];
      const timed = entries.some((entry) => entry.operation);
      return [
        {
          room: timed ? "times" : title === "Glues" ? "glues" : "rules",
          title,
          wrong: entries.some(({ path }) => errors[`rules.${path}`]),
          content: timed ? <Times entries={entries} field={ruleField} /> : entries.map(ruleField),
        },
      ];
    },
  );
  const parts = { draft, shown, errors, onChange: change };
  const wrong = (...places: string[]) =>
    Object.keys(errors).some((path) => places.some((place) => path.startsWith(place)));
  const others: (Group & { words: string })[] = [
    {
      room: "rules",
      title: t("house.squaresByTheSizeOfThe"),
      words: t("house.squaresSought"),
      wrong: wrong("squares"),
      content: <SquareSteps usual={reply.usual_squares} {...parts} />,
    },
    {
      room: "rules",
      title: t("house.wordsAndHands"),
      words: `${t("house.aFoldedSectionIsCalled")} ${t("house.theSewingIsShown")}`,
      wrong: false,
      content: (
        <>
          <Pick
            label={t("house.aFoldedSectionIsCalled")}
            value={draft.vocabulary}
            options={folded}
            onChange={(vocabulary) => change({ vocabulary })}
          />
          <Pick
            label={t("house.theSewingIsShown")}
            value={draft.hand}
            options={hands}
            onChange={(hand) => change({ hand })}
          />
        </>
      ),
    },
    {
      room: "tools",
      title: t("house.gaugesOwned"),
      words: "",
      wrong: wrong("gauges"),
      content: <Gauges {...parts} />,
    },
    {
      room: "tools",
      title: t("house.toolsOwned"),
      words: "",
      wrong: wrong("tools", "types", "hammers"),
      content: <Owned draft={draft} errors={errors} inputs={reply.inputs} onChange={change} />,
    },
    {
      room: "people",
      title: t("house.people"),
      words: t("house.peopleSought"),
      wrong: false,
      content: <People />,
    },
    {
      room: "people",
      title: t("house.forPeopleWhoAreNew"),
      words: `${t("common.printedOn")} ${t("house.rulersMarkedTo")}`,
      wrong: false,
      content: (
        <>
          <Pick
            label={t("common.printedOn")}
            value={draft.paper}
            options={papers}
            onChange={(paper) => change({ paper })}
          />
          <Pick
            label={t("house.rulersMarkedTo")}
            value={String(draft.mm_division)}
            options={mmMarks}
            onChange={(mark) => change({ mm_division: Number(mark) })}
          />
          <Pick
            label={t("house.andTo")}
            value={String(draft.inch_division)}
            options={inchMarks}
            onChange={(mark) => change({ inch_division: Number(mark) as 16 | 32 | 64 })}
          />
        </>
      ),
    },
  ];
  return [...ruled, ...others.filter(({ title, words }) => meant(title, words))];
}

/** Times, an operation a row. */
function Times({
  entries,
  field,
}: {
  entries: readonly RuleEntry[];
  field: (entry: RuleEntry) => ReactNode;
}) {
  const operations = [...new Set(entries.map((entry) => entry.operation))];
  return (
    <div className="w-full text-sm">
      <p className="mb-1 text-faded">{t("house.emptyIsAsUsual")}</p>
      <ul className="divide-y divide-rule">
        {operations.map((operation) => (
          <li key={operation} className="flex flex-wrap items-center gap-3 py-1.5">
            <span className="min-w-56 flex-1">{operation}</span>
            <span className="flex flex-wrap items-end gap-3">
              {entries.filter((entry) => entry.operation === operation).map(field)}
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <fieldset className="mb-4 min-w-0 break-inside-avoid rounded border border-rule bg-sheet p-3">
      <legend className="px-1 font-serif font-semibold">{title}</legend>
      <div className="flex flex-wrap items-end gap-3">{children}</div>
    </fieldset>
  );
}

function Rule({
  entry,
  usual,
  value,
  wrong,
  onChange,
}: {
  entry: RuleEntry;
  usual: string | number | null | undefined;
  value: string;
  wrong: string | undefined;
  onChange: (value: string | null) => void;
}) {
  const options = useOptions(entry.path);
  if (entry.kind === "choice") {
    const label = options.find(([option]) => option === usual)?.[1] ?? "";
    return (
      <Pick
        label={entry.label}
        value={value}
        options={[
          ["", label ? t("house.noRuleLabel", { label }) : t("house.noRule")] as const,
          ...options.filter(([option]) => option),
        ]}
        onChange={(next) => onChange(next || null)}
      />
    );
  }
  return (
    <label className="block text-sm text-faded">
      {entry.operation && <span className="sr-only">{entry.operation}, </span>}
      {entry.operation ? entry.counted : entry.label}
      <input
        className={`${INPUT} block w-28 text-base text-ink`}
        value={value}
        placeholder={usual == null ? t("house.noRule") : String(usual)}
        aria-invalid={wrong ? true : undefined}
        onChange={(event) => onChange(event.target.value.trim() ? event.target.value : null)}
      />
      {wrong && <span className="block max-w-40 text-madder">{wrong}</span>}
    </label>
  );
}

interface PartProps {
  draft: Draft;
  shown: (path: string, value: unknown) => string;
  errors: Texts;
  onChange: (part: Partial<Draft>) => void;
}

const SQUARE_FIELDS = [
  ["up_to", "house.blocksUpTo"],
  ["head", "common.head"],
  ["tail", "common.tail"],
  ["fore_edge", "common.foreEdge"],
] as const;

function SquareSteps({ draft, shown, errors, onChange, usual }: PartProps & { usual: string }) {
  const last = draft.squares.at(-1);
  return (
    <div className="w-full space-y-2">
      {draft.squares.length === 0 && <p className="text-sm text-faded">{usual}</p>}
      {draft.squares.map((step, place) => (
        <div key={place} className="flex flex-wrap items-end gap-2">
          {SQUARE_FIELDS.map(([key, label]) => (
            <label key={key} className="text-sm text-faded">
              {t(label)}
              <input
                className={`${INPUT} block w-20 text-base text-ink`}
                value={shown(`squares.${place}.${key}`, step[key])}
                aria-invalid={errors[`squares.${place}.${key}`] ? true : undefined}
                title={errors[`squares.${place}.${key}`]}
                onChange={(event) =>
                  onChange({
                    squares: draft.squares.map((each, at) =>
                      at === place ? { ...each, [key]: event.target.value } : each,
                    ),
                  })
                }
              />
            </label>
          ))}
          <IconButton
            label={t("house.removeLinePlace", { place: place + 1 })}
            onClick={() => onChange({ squares: draft.squares.filter((_, at) => at !== place) })}
          >
            <X size={16} />
          </IconButton>
        </div>
      ))}
      {errors.squares && <p className="text-sm text-madder">{errors.squares}</p>}
      <Button
        className="inline-flex items-center gap-1 text-sm"
        onClick={() =>
          onChange({
            squares: [
              ...draft.squares,
              last
                ? { ...last, up_to: `${shown("", last.up_to)}+100` }
                : { up_to: 150, head: 2, tail: 2, fore_edge: 3 },
            ],
          })
        }
      >
        <Plus size={16} aria-hidden /> {t("house.aSize")}
      </Button>
    </div>
  );
}

/** Tools, type and hammers, asked for as the templates ask for them; a job begins with a copy. */
function Owned({
  draft,
  errors,
  inputs,
  onChange,
}: Pick<PartProps, "draft" | "errors" | "onChange"> & { inputs: Texts }) {
  const every = useEveryExtra();
  const owned = [
    ["finishing", "tools"],
    ["finishing", "types"],
    ["backing", "hammers"],
  ] as const;
  return owned.map(([extra, key]) => {
    const field = every.find(({ name }) => name === extra)?.fields.find((each) => each.key === key);
    return (
      field && (
        <RowsTable
          key={key}
          field={field}
          path={key}
          rows={draft[key]}
          shown={{ inputs, errors }}
          leftOpen=""
          onChange={(rows) => onChange({ [key]: rows })}
        />
      )
    );
  });
}

function Gauges({ draft, shown, errors, onChange }: PartProps) {
  return (
    <>
      {draft.gauges.map((gauge, place) => (
        <span key={place} className="flex items-end">
          <label className="text-sm text-faded">
            {t("house.gaugePlace", { place: place + 1 })}
            <input
              className={`${INPUT} block w-20 text-base text-ink`}
              value={shown(`gauges.${place}`, gauge)}
              aria-invalid={errors[`gauges.${place}`] ? true : undefined}
              title={errors[`gauges.${place}`]}
              onChange={(event) =>
                onChange({
                  gauges: draft.gauges.map((each, at) =>
                    at === place ? event.target.value : each,
                  ),
                })
              }
            />
          </label>
          <IconButton
            label={t("house.removeGaugePlace", { place: place + 1 })}
            onClick={() => onChange({ gauges: draft.gauges.filter((_, at) => at !== place) })}
          >
            <X size={16} />
          </IconButton>
        </span>
      ))}
      <Button
        className="inline-flex items-center gap-1 text-sm"
        onClick={() => onChange({ gauges: [...draft.gauges, "1/4 in"] })}
      >
        <Plus size={16} aria-hidden /> {t("house.aGauge")}
      </Button>
    </>
  );
}
