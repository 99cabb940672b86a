/** The shelf: what there is to bind with, where it lies, and which way its grain runs. */
import { ForBinders } from "../app/ViewOnly";
import { t, type WordKey } from "../app/words";
import { keepPreviousData, useMutation, useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { api, type ShelfRow, type StockKind, unwrap } from "../api/client";
import { asText } from "../job/paths";
import { Button } from "../parts/controls";
import { GrainMark } from "../parts/GrainMark";
import { Menu, MenuAction, MenuLink } from "../parts/Menu";
import { Pager } from "../parts/Pager";
import { SearchField } from "../parts/SearchField";
import { SortHeader } from "../parts/SortHeader";
import type { Entry } from "../parts/TextEntry";
import { useListParams } from "../parts/useListParams";
import { Converter } from "./Converter";
import { CountDialog } from "./CountDialog";
import { GrainTest } from "./GrainTest";
import { ItemForm } from "./ItemForm";
import { TableDialog } from "./TableDialog";
import { useOptions, useWord } from "../app/choices";
import { undoing, useShelfVerb } from "./useShelf";

type Sort =
  "kind" | "name" | "size" | "weight" | "thickness" | "price" | "count" | "place" | "updated";
type Dialog =
  | { show: "change" | "count" | "grain"; row: ShelfRow }
  | { show: "add"; draft: Entry; warning: string }
  | { show: "convert" | "table" };

interface Done {
  what: "change" | "count" | "remove";
  before: ShelfRow;
}

const DONE: Record<Done["what"], WordKey> = {
  change: "shelf.isChanged",
  count: "shelf.isCounted",
  remove: "shelf.isOffTheList",
};

const COLUMNS: readonly (readonly [Sort | null, WordKey])[] = [
  ["name", "shelf.item"],
  ["kind", "common.kind"],
  ["size", "common.size"],
  [null, "common.grain"],
  ["weight", "shelf.weight"],
  ["thickness", "common.thickness"],
  ["price", "shelf.price"],
  ["place", "shelf.liesIn"],
  ["count", "shelf.onTheShelf2"],
];

export default function Shelf() {
  const { params, show, showAll } = useListParams();
  const search = params.get("search") ?? "";
  const kind = (params.get("kind") || undefined) as StockKind | undefined;
  const only = params.get("only") ?? "";
  const sort = (params.get("sort") ?? "kind") as Sort;
  const down = params.get("down") === "yes";
  const page = Number(params.get("page") ?? "1");
  const kinds = useOptions<StockKind>("stock.kind");
  const [dialog, setDialog] = useState<Dialog | null>(null);
  const [done, setDone] = useState<Done | null>(null);
  const verb = useShelfVerb();
  useEffect(() => {
    document.title = t("shelf.shelfWeald");
  }, []);
  const shelf = useQuery({
    queryKey: ["shelf", { search, kind, only, sort, down, page }],
    queryFn: async () =>
      unwrap(
        await api.GET("/api/shelf", {
          params: {
            query: {
              search,
              kind,
              sort,
              down,
              page,
              low: only === "low",
              offcuts: only === "offcuts" ? true : only === "whole" ? false : undefined,
            },
          },
        }),
      ),
    placeholderData: keepPreviousData,
  });

  const close = () => setDialog(null);
  const filtered = search !== "" || kind !== undefined || only !== "";
  return (
    <main className="mx-auto w-full max-w-7xl p-5">
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <h1 className="text-3xl font-semibold">{t("common.shelf")}</h1>
        <ForBinders>
          <AddByWords
            onUnderstood={(draft, warning) => setDialog({ show: "add", draft, warning })}
          />
        </ForBinders>
        <span className="ml-auto flex gap-2">
          <Button onClick={() => setDialog({ show: "convert" })}>
            {t("shelf.convertWeights")}
          </Button>
          <Menu label={t("shelf.tables")} trigger={t("shelf.tables")}>
            <MenuLink href="/api/shelf.csv">{t("shelf.theShelfAsCSV")}</MenuLink>
            <ForBinders>
              <MenuAction onSelect={() => setDialog({ show: "table" })}>
                {t("shelf.aTableIn2")}
              </MenuAction>
            </ForBinders>
          </Menu>
        </span>
      </div>
      <div className="mb-2 flex flex-wrap items-end gap-3">
        <SearchField
          label={t("shelf.searchTheShelf")}
          value={search}
          onSearch={(text) => show({ search: text })}
        />
        <Filter
          label={t("common.kind")}
          value={kind ?? ""}
          options={[["", "all"], ...kinds]}
          onChange={(value) => show({ kind: value })}
        />
        <Filter
          label={t("shelf.only")}
          value={only}
          options={[
            ["", "everything"],
            ["low", t("shelf.whatRunsLow")],
            ["whole", t("shelf.wholeSheets")],
            ["offcuts", "offcuts"],
          ]}
          onChange={(value) => show({ only: value })}
        />
      </div>
      {(shelf.error ?? verb.error) && (
        <p role="alert" className="mb-2 text-madder">
          {(shelf.error ?? verb.error)?.message}
        </p>
      )}
      {done && (
        <p role="status" className="mb-2">
          {t(DONE[done.what], { name: done.before.item.name })}{" "}
          <Button
            kind="quiet"
            onClick={() => {
              verb.mutate(undoing(done.before, done.what));
              setDone(null);
            }}
          >
            {done.what === "remove" ? t("shelf.putItBack") : t("common.undo")}
          </Button>
        </p>
      )}
      {shelf.data?.count === 0 && !filtered && <Empty />}
      {shelf.data?.count === 0 && filtered && (
        <p className="rounded border border-rule bg-linen p-6">
          {t("shelf.nothingOnTheShelfAnswersTo")}{" "}
          <Button kind="quiet" onClick={() => showAll()}>
            {t("shelf.showEverything")}
          </Button>
        </p>
      )}
      {shelf.data && shelf.data.count > 0 && (
        <>
          <table className="figures w-full text-left text-sm">
            <caption className="sr-only">{t("common.theShelf")}</caption>
            <thead className="text-faded">
              <tr className="border-b border-rule">
                {COLUMNS.map(([key, title]) =>
                  key ? (
                    <SortHeader
                      key={title}
                      title={t(title)}
                      direction={key === sort ? (down ? "descending" : "ascending") : "none"}
                      onSort={() => show({ sort: key, down: key === sort && !down ? "yes" : "" })}
                    />
                  ) : (
                    <th key={title} className="py-1.5 pr-3 font-normal">
                      {t(title)}
                    </th>
                  ),
                )}
                <th>
                  <span className="sr-only">{t("common.more")}</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {shelf.data.items.map((row) => (
                <Row
                  key={row.id}
                  row={row}
                  onShow={(what) => setDialog({ show: what, row })}
                  onDuplicate={() => verb.mutate({ verb: "duplicate", item: row })}
                  onRemove={() => {
                    verb.mutate({ verb: "remove", item: row });
                    setDone({ what: "remove", before: row });
                  }}
                />
              ))}
            </tbody>
          </table>
          <Pager
            page={page}
            pages={shelf.data.pages}
            counted={t("shelf.countItems", { count: shelf.data.count })}
            onPage={(next) => show({ page: String(next) })}
          />
        </>
      )}
      {dialog?.show === "add" && (
        <ItemForm draft={dialog.draft} warning={dialog.warning} onClose={close} />
      )}
      {dialog?.show === "change" && (
        <ItemForm
          row={dialog.row}
          onClose={close}
          onKept={() => setDone({ what: "change", before: dialog.row })}
        />
      )}
      {dialog?.show === "count" && (
        <CountDialog
          row={dialog.row}
          onClose={close}
          onCounted={() => setDone({ what: "count", before: dialog.row })}
        />
      )}
      {dialog?.show === "grain" && <GrainTest row={dialog.row} onClose={close} />}
      {dialog?.show === "convert" && <Converter onClose={close} />}
      {dialog?.show === "table" && <TableDialog onClose={close} />}
    </main>
  );
}

/** A line such as “A2 120 gsm long” becomes the fields of an item. */
function AddByWords({ onUnderstood }: { onUnderstood: (draft: Entry, warning: string) => void }) {
  const [words, setWords] = useState("");
  const read = useMutation({
    mutationFn: async () => unwrap(await api.POST("/api/shelf/words", { body: { words } })),
    onSuccess: ({ item, count, warning }) => {
      const { basis, stack, ...rest } = item;
      const draft = Object.fromEntries(
        Object.entries(rest).map(([key, value]) => [key, asText(value)]),
      );
      if (basis) Object.assign(draft, { pounds: asText(basis.pounds), grade: basis.grade });
      if (stack) Object.assign(draft, { leaves: "", stack: "" });
      onUnderstood({ ...draft, count: count === "0" ? "" : count }, warning);
      setWords("");
    },
  });
  return (
    <form
      className="flex min-w-80 flex-1 items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (words.trim()) read.mutate();
      }}
    >
      <label htmlFor="add-words" className="sr-only">
        {t("shelf.addToTheShelfInA")}
      </label>
      <input
        id="add-words"
        className="min-w-0 flex-1 rounded border border-faded bg-sheet px-2 py-1.5"
        placeholder={t("shelf.addInAFewWordsA2")}
        maxLength={300}
        value={words}
        onChange={(event) => setWords(event.target.value)}
      />
      <Button kind="main" type="submit" disabled={read.isPending || !words.trim()}>
        {t("shelf.add")}
      </Button>
      {read.error && (
        <span role="alert" className="text-sm text-madder">
          {read.error.message}
        </span>
      )}
    </form>
  );
}

function Filter({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: string;
  options: readonly (readonly [string, string])[];
  onChange: (value: string) => void;
}) {
  return (
    <label className="text-sm text-faded">
      {label}
      <select
        className="ml-2 rounded border border-faded bg-sheet px-2 py-1 text-base text-ink"
        value={value}
        onChange={(event) => onChange(event.target.value)}
      >
        {options.map(([option, text]) => (
          <option key={option} value={option}>
            {text}
          </option>
        ))}
      </select>
    </label>
  );
}

function Row({
  row,
  onShow,
  onDuplicate,
  onRemove,
}: {
  row: ShelfRow;
  onShow: (what: "change" | "count" | "grain") => void;
  onDuplicate: () => void;
  onRemove: () => void;
}) {
  const { item } = row;
  const wide = (item.width ?? 0) > (item.height ?? Infinity);
  const flat = item.form === "sheet" || item.form === "skin";
  return (
    <tr className="border-b border-rule align-top">
      <th scope="row" className="py-1.5 pr-3 font-normal">
        <button
          type="button"
          className="text-left text-base font-semibold text-hill hover:underline"
          onClick={() => onShow("change")}
        >
          {item.name}
        </button>
        {row.offcut_of !== null && <span className="text-faded"> {t("common.offcut")}</span>}
        {(item.colour || row.offcuts > 0) && (
          <span className="block text-faded">
            {[
              item.colour,
              row.offcuts > 0 ? t("shelf.offcutsOffcuts", { offcuts: row.offcuts }) : "",
            ]
              .filter(Boolean)
              .join(", ")}
          </span>
        )}
      </th>
      <td className="py-2 pr-3">{useWord("stock.kind", item.kind)}</td>
      <td className="py-2 pr-3 whitespace-nowrap">{row.size}</td>
      <td className="py-1.5 pr-3">
        {flat && <GrainMark grain={item.grain} wide={wide} />}{" "}
        {flat && !item.grain ? (
          <Button kind="quiet" className="px-0 py-0" onClick={() => onShow("grain")}>
            {t("shelf.testIt")}
          </Button>
        ) : (
          row.grain
        )}
      </td>
      <td className="py-2 pr-3">{row.weight}</td>
      <td className="py-2 pr-3 whitespace-nowrap">{row.thickness}</td>
      <td className="py-2 pr-3">{item.price?.toFixed(2)}</td>
      <td className="py-2 pr-3 text-faded">{item.place}</td>
      <td className="py-1 pr-1 whitespace-nowrap">
        <Button
          kind="quiet"
          onClick={() => onShow("count")}
          aria-label={t("shelf.countName2", { name: item.name })}
        >
          {row.count_words}
        </Button>
        {row.low && <strong className="block pl-2.5 text-amber">{t("shelf.runsLow")}</strong>}
      </td>
      <td className="py-1 text-right">
        <ForBinders>
          <Menu label={t("shelf.moreForName", { name: item.name })} trigger="⋯">
            <MenuAction onSelect={() => onShow("change")}>{t("shelf.change")}</MenuAction>
            <MenuAction onSelect={() => onShow("count")}>
              {t("shelf.countAndWhatHasMoved")}
            </MenuAction>
            {flat && (
              <MenuAction onSelect={() => onShow("grain")}>{t("shelf.testItsGrain")}</MenuAction>
            )}
            <MenuAction onSelect={onDuplicate}>{t("common.duplicate")}</MenuAction>
            <MenuAction onSelect={onRemove}>{t("shelf.removeFromTheList")}</MenuAction>
          </Menu>
        </ForBinders>
      </td>
    </tr>
  );
}

function Empty() {
  return (
    <section className="rounded border border-rule bg-linen p-8">
      <h2 className="text-2xl font-semibold">{t("shelf.whatLiesOnYourShelf")}</h2>
      <p className="mt-2 max-w-prose">{t("shelf.writeAnItemAboveAsIt")}</p>
    </section>
  );
}
