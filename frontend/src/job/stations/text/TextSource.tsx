/** The text of a job: brought as a PDF, what was found in it, and its pages to look through. */
import { useReader } from "../../../app/person";
import { t } from "../../../app/words";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { bring, howFar, named } from "../../../api/bring";
import { api, isProblem, type SourceText, unwrap } from "../../../api/client";
import { Button } from "../../../parts/controls";
import { Hint } from "../../../parts/Hint";
import { Modal } from "../../../parts/Modal";
import { useSession, useSnapshot } from "../../context";
import { valueAt } from "../../paths";

const PAGES_SHOWN = 48;

export function TextSource() {
  const session = useSession();
  const { draft } = useSnapshot();
  const queries = useQueryClient();
  const picker = useRef<HTMLInputElement>(null);
  const reader = useReader();
  const [sent, setSent] = useState<number | null>(null);
  const [error, setError] = useState("");
  const [dialog, setDialog] = useState<"pages" | "texts" | null>(null);
  const stop = useRef<AbortController | null>(null);
  const digest = valueAt(draft, "text.file");
  const text = useQuery({
    queryKey: ["text", digest],
    enabled: typeof digest === "string",
    retry: false,
    staleTime: Infinity,
    queryFn: async () =>
      unwrap(
        await api.GET("/api/texts/{digest}", { params: { path: { digest: String(digest) } } }),
      ),
  });

  function take(chosen: SourceText) {
    const size = chosen.sizes[0];
    // what one prints oneself is printed on the paper one's printer takes
    const paper = valueAt(draft, "printing.printer.largest");
    queries.setQueryData(["text", chosen.digest], chosen);
    session.apply({
      "text.file": chosen.digest,
      "text.pages": chosen.pages,
      "text.file_pages": chosen.pages,
      "text.page": size ? { width: size.width, height: size.height } : null,
      "text.blank_book": false,
      ...(paper
        ? {
            "printing.sheet": { ...paper },
            "paper.sheet.width": paper.width,
            "paper.sheet.height": paper.height,
          }
        : {}),
    });
    setDialog(null);
  }

  async function send(file: File) {
    setError("");
    setSent(0);
    stop.current = new AbortController();
    try {
      const { signal } = stop.current;
      take(await bring<SourceText>(named("/api/texts", file), file, { onSent: setSent, signal }));
      void queries.invalidateQueries({ queryKey: ["texts"] });
    } catch (problem) {
      setError(problem instanceof Error ? problem.message : String(problem));
    } finally {
      setSent(null);
      if (picker.current) picker.current.value = "";
    }
  }

  return (
    <section
      aria-label={t("text.theText")}
      className="flex flex-wrap items-center gap-x-3 gap-y-1 rounded border border-dashed border-faded px-3 py-1.5 text-sm"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        const file = event.dataTransfer.files[0];
        if (file && !reader) void send(file);
      }}
    >
      <input
        ref={picker}
        type="file"
        disabled={reader}
        accept="application/pdf,.pdf"
        aria-label={t("text.aPDFToBring")}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) void send(file);
        }}
      />
      {sent !== null ? (
        <>
          <progress
            className="w-56 accent-hill"
            aria-label={t("text.bringingTheText")}
            value={sent}
            max={1}
          />
          <span className="figures">{howFar(sent)}</span>
          <Button kind="quiet" onClick={() => stop.current?.abort()}>
            {t("common.stop")}
          </Button>
        </>
      ) : (
        <>
          {typeof digest !== "string" && <span>{t("text.noTextYetBringItAs")}</span>}
          {text.data && <Found text={text.data} />}
          {text.error && <span className="text-amber">{t("text.theTextOfThisJobIs")}</span>}
          <span className="ml-auto flex items-center gap-1">
            {text.data && (
              <Button kind="quiet" onClick={() => setDialog("pages")}>
                {t("text.lookThrough")}
              </Button>
            )}
            <Button changes kind="quiet" onClick={() => setDialog("texts")}>
              {t("text.chooseAnEarlierOne")}
            </Button>
            <Button
              changes
              kind={typeof digest === "string" ? "plain" : "main"}
              onClick={() => picker.current?.click()}
            >
              {typeof digest === "string" ? t("text.bringAnother") : t("text.bringATextPDF")}
            </Button>
          </span>
        </>
      )}
      {error && (
        <p role="alert" className="w-full text-madder">
          <strong>■ </strong>
          {error}
        </p>
      )}
      <Modal
        open={dialog === "pages"}
        onOpenChange={(open) => !open && setDialog(null)}
        title={text.data?.name ?? t("text.theText")}
        wider
      >
        {text.data && <Pages text={text.data} />}
      </Modal>
      <Modal
        open={dialog === "texts"}
        onOpenChange={(open) => !open && setDialog(null)}
        title={t("text.textsBroughtBefore")}
        wide
      >
        <Texts onTake={take} />
      </Modal>
    </section>
  );
}

/** What was found in a text, in a line; what is odd about it stands out. */
function Found({ text }: { text: SourceText }) {
  const size = text.sizes[0];
  return (
    <>
      <strong className="max-w-72 truncate" title={text.name}>
        {text.name}
      </strong>
      <span className="figures">
        {t("text.pagesPages", { pages: text.pages })}
        {size && `, ${size.shown}`}{" "}
        {t("text.boxesBox", { boxes: text.boxes.join(` ${t("text.and")} `) })}
        <Hint about={t("text.thisBox")}>{t("text.aPDFSaysHowLargeIts")}</Hint>
      </span>
      {text.odd.map((each) => (
        <span key={each} className="text-amber">
          <span aria-hidden>▲ </span>
          {each}
        </span>
      ))}
    </>
  );
}

function Pages({ text }: { text: SourceText }) {
  const [first, setFirst] = useState(1);
  const last = Math.min(text.pages, first + PAGES_SHOWN - 1);
  const numbers = Array.from({ length: last - first + 1 }, (_, index) => first + index);
  return (
    <>
      <ul className="mb-3 text-sm">
        {text.sizes.map((size) => (
          <li key={size.shown} className="figures">
            {t("text.pagesOfSize", { shown: size.shown, count: size.pages, first: size.first })}
          </li>
        ))}
        {text.turned > 0 && <li>{t("text.turnedPagesAreTurnedInThe", { turned: text.turned })}</li>}
        {text.odd.map((each) => (
          <li key={each} className="text-amber">
            ▲ {each}
          </li>
        ))}
      </ul>
      <p className="mb-2 flex items-center gap-2 text-sm">
        <Button disabled={first === 1} onClick={() => setFirst(Math.max(1, first - PAGES_SHOWN))}>
          {t("text.earlier")}
        </Button>
        <span className="figures">
          {t("text.pagesFirstLastOfPages", { first, last, pages: text.pages })}
        </span>
        <Button disabled={last === text.pages} onClick={() => setFirst(first + PAGES_SHOWN)}>
          {t("text.later")}
        </Button>
      </p>
      <ol className="grid grid-cols-4 gap-3 sm:grid-cols-6 lg:grid-cols-8">
        {numbers.map((number) => (
          <li key={number} className="figures text-center text-sm">
            <img
              className="mx-auto max-h-44 border border-rule bg-white"
              src={`/api/texts/${text.digest}/pages/${String(number)}.png?width=200`}
              alt={t("text.pageNumber", { number })}
              loading="lazy"
            />
            {number}
          </li>
        ))}
      </ol>
    </>
  );
}

function Texts({ onTake }: { onTake: (text: SourceText) => void }) {
  const queries = useQueryClient();
  const [search, setSearch] = useState("");
  const [error, setError] = useState("");
  const shelf = useQuery({
    queryKey: ["texts", search],
    queryFn: async () => unwrap(await api.GET("/api/texts", { params: { query: { search } } })),
  });
  async function throwAway(text: SourceText) {
    const { error: problem } = await api.DELETE("/api/texts/{digest}", {
      params: { path: { digest: text.digest } },
    });
    setError(isProblem(problem) ? problem.message : "");
    void queries.invalidateQueries({ queryKey: ["texts"] });
  }
  return (
    <>
      <input
        type="search"
        aria-label={t("text.searchTexts")}
        placeholder={t("text.search")}
        className="mb-2 w-full rounded border border-faded bg-sheet px-2 py-1"
        value={search}
        onChange={(event) => setSearch(event.target.value)}
      />
      {error && (
        <p role="alert" className="mb-2 text-sm text-madder">
          {error}
        </p>
      )}
      {shelf.data?.texts.length === 0 && <p>{t("text.nothingHereYetBringAPDF")}</p>}
      <ul className="divide-y divide-rule">
        {shelf.data?.texts.map((text) => (
          <li key={text.digest} className="flex flex-wrap items-center gap-3 py-2 text-sm">
            <strong className="min-w-0 flex-1 truncate">{text.name}</strong>
            <span className="figures">
              {t("text.pagesPages2", { pages: text.pages })} {text.sizes[0]?.shown}
            </span>
            <Button onClick={() => onTake(text)}>{t("common.chooseIt")}</Button>
            <Button kind="quiet" onClick={() => void throwAway(text)}>
              {t("common.throwAway")}
            </Button>
          </li>
        ))}
      </ul>
      {shelf.data && (
        <p className="figures mt-3 text-sm text-faded">
          {t("text.roomForRoomleftMBMore", { roomleft: (shelf.data.room_left / 1e6).toFixed(0) })}
        </p>
      )}
    </>
  );
}
