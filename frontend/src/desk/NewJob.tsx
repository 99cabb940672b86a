/** Beginning a job: what lies on the bench, in as few words as will do. */
import { t, type WordKey } from "../app/words";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useId, useRef, useState } from "react";
import { useNavigate } from "react-router";
import { bring, howFar, named } from "../api/bring";
import {
  type Drawing,
  api,
  type Beginning,
  type Job,
  ProblemError,
  type SourceText,
  type Station,
  unwrap,
} from "../api/client";
import { usePerson } from "../app/person";
import { useChoices } from "../app/choices";
import { Sketch } from "../drawing/Sketch";
import { Button } from "../parts/controls";
import { Modal } from "../parts/Modal";

type Ask = Beginning["asks"][number];
type Answers = Partial<Record<Ask, string>>;

const FIRST: Answers = { pages: "128", grammage: "90" };

const LABELS: Record<Ask, WordKey> = {
  title: "common.title",
  pages: "common.pages",
  width: "desk.leafWidthTrimmed",
  height: "desk.leafHeight",
  thickness: "common.thickness",
  grammage: "desk.paperGM",
  board: "desk.boardThickness",
};
const MEASURED: Partial<Record<Ask, WordKey>> = {
  width: "desk.widthMeasured",
  height: "desk.heightMeasured",
  thickness: "desk.thicknessPressed",
};

function useBegun() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  return (id: number, station?: Station) => {
    void queries.invalidateQueries({ queryKey: ["jobs"] });
    void navigate(station ? `/jobs/${id}/${station}` : `/jobs/${id}`);
  };
}

export function NewJob({
  open,
  onOpenChange,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
}) {
  return (
    <Modal open={open} onOpenChange={onOpenChange} title={t("desk.whatHaveYouOnTheBench")} wider>
      <Beginnings onBegun={() => onOpenChange(false)} />
    </Modal>
  );
}

function Beginnings({ onBegun }: { onBegun: () => void }) {
  const person = usePerson();
  const choices = useChoices();
  const [chosen, setChosen] = useState<Beginning["id"]>("text");
  const [answers, setAnswers] = useState(FIRST);
  const [file, setFile] = useState<File | null>(null);
  const [sent, setSent] = useState(0);
  const begun = useBegun();
  const inches = person.units === "inch";
  const usual: Answers = inches
    ? { width: "5 1/2 in", height: "8 1/2 in" }
    : { width: "140 mm", height: "210 mm" };
  const hints: Answers = {
    ...usual,
    board: inches ? t("desk.80pt564In") : t("desk.2Mm80pt"),
    thickness: inches ? "3/4 in" : "18 mm",
  };
  const beginning = choices?.beginnings.find((each) => each.id === chosen);
  const pictures = choices?.pictures.beginning;

  const create = useMutation({
    mutationFn: async (from: Beginning) => {
      // a size not typed is the one that stands in its field; one that is measured has to be
      const given = from.measured ? answers : { ...usual, ...answers };
      const text =
        from.brings && file
          ? await bring<SourceText>(named("/api/texts", file), file, { onSent: setSent })
          : null;
      const title = answers.title ?? (text ? text.name.replace(/\.pdf$/i, "") : "");
      return unwrap(
        await api.POST("/api/jobs/begin", {
          body: {
            kind: from.id,
            answers: { ...given, title } as Record<Ask, string>,
            text: text?.digest ?? null,
          },
        }),
      );
    },
    onSuccess: (job, from) => {
      onBegun();
      begun(job.id, from.station);
    },
  });
  if (!choices || !beginning) return <p>{t("common.oneMoment")}</p>;
  const fields = create.error instanceof ProblemError ? create.error.problem.fields : {};
  const asks = beginning.asks;
  const field = (ask: Ask) =>
    asks.includes(ask) && (
      <Question
        wide={ask === "title"}
        label={t((beginning.measured && MEASURED[ask]) || LABELS[ask])}
        hint={hints[ask]}
        error={fields[ask]}
        value={answers[ask] ?? (beginning.measured ? "" : (usual[ask] ?? ""))}
        onChange={(text) => setAnswers({ ...answers, [ask]: text })}
      />
    );
  const unsaid = Object.keys(fields).every((path) => !asks.includes(path as Ask));
  return (
    <form
      className="space-y-3"
      onSubmit={(event) => {
        event.preventDefault();
        create.mutate(beginning);
      }}
    >
      <div
        className="grid grid-cols-2 gap-1.5 sm:grid-cols-3 lg:grid-cols-5"
        role="radiogroup"
        aria-label={t("desk.whatLiesOnTheBench")}
      >
        {choices.beginnings.map((each) => (
          <button
            key={each.id}
            type="button"
            role="radio"
            aria-checked={chosen === each.id}
            className={`flex flex-col gap-1 rounded border p-2 text-left sm:flex-row sm:gap-2 ${chosen === each.id ? "border-hill bg-linen outline outline-hill" : "border-rule"}`}
            onClick={() => {
              create.reset();
              setChosen(each.id);
            }}
          >
            <Seen picture={pictures?.[each.id]} />
            <span className="leading-tight">
              <span className="block font-serif font-semibold">{each.title}</span>
              <span className="text-sm text-faded">{each.words}</span>
            </span>
          </button>
        ))}
      </div>
      {beginning.brings && (
        <label className="block text-sm text-faded">
          {t("desk.thePDF")}
          <input
            type="file"
            accept=".pdf,application/pdf"
            className="block py-1 text-base text-ink"
            onChange={(event) => setFile(event.target.files?.[0] ?? null)}
          />
          {fields.text && (
            <span role="alert" className="block text-madder">
              {fields.text}
            </span>
          )}
        </label>
      )}
      <div className="flex flex-wrap items-start gap-2">
        {field("title")}
        {field("pages")}
        {field("width")}
        {field("height")}
        {field("thickness")}
        {field("grammage")}
        {field("board")}
      </div>
      {asks.includes("width") && !beginning.measured && (
        <div
          className="flex flex-wrap items-center gap-1 text-sm"
          aria-label={t("desk.commonLeafSizes")}
        >
          {choices.leaves.map((size) => (
            <button
              key={size.name}
              type="button"
              className="rounded border border-rule px-1.5 py-0.5 text-hill hover:bg-linen"
              onClick={() =>
                setAnswers({ ...answers, width: `${size.width} mm`, height: `${size.height} mm` })
              }
            >
              {size.name}
            </button>
          ))}
        </div>
      )}
      {create.error && unsaid && !fields.text && (
        <p role="alert" className="text-madder">
          {create.error.message}
        </p>
      )}
      <Button kind="main" type="submit" disabled={create.isPending}>
        {create.isPending && beginning.brings
          ? t("desk.bringingItSent", { sent: Math.round(sent * 100) })
          : t("desk.beginTheJob")}
      </Button>
    </form>
  );
}

function Seen({ picture }: { picture: Drawing | undefined }) {
  return (
    picture && (
      <span className="shrink-0">
        <Sketch drawing={picture} width={72} height={44} />
      </span>
    )
  );
}

function Question({
  wide,
  label,
  hint,
  error,
  value,
  onChange,
}: {
  wide: boolean;
  label: string;
  hint?: string | undefined;
  error?: string | undefined;
  value: string;
  onChange: (text: string) => void;
}): ReactNode {
  const id = useId();
  return (
    <div className={wide ? "min-w-64 flex-[3]" : "min-w-32 flex-1"}>
      <label htmlFor={id} className="block text-sm text-faded">
        {label}
      </label>
      <input
        id={id}
        className="figures w-full rounded border border-faded bg-sheet px-2 py-1.5 aria-invalid:border-2 aria-invalid:border-madder"
        value={value}
        placeholder={hint}
        aria-invalid={error ? true : undefined}
        aria-describedby={error ? `${id}-error` : undefined}
        onChange={(event) => onChange(event.target.value)}
      />
      {error && (
        <p id={`${id}-error`} role="alert" className="text-sm text-madder">
          {error}
        </p>
      )}
    </div>
  );
}

/** Begins a job from a job file on disk. */
export function ImportButton() {
  const begun = useBegun();
  const picker = useRef<HTMLInputElement>(null);
  const [sent, setSent] = useState(0);
  const bringing = useMutation({
    mutationFn: (file: File) =>
      bring<Job>("/api/jobs/import", file, { asForm: true, onSent: setSent }),
    onSuccess: (job) => begun(job.id),
  });
  return (
    <>
      <input
        ref={picker}
        type="file"
        accept=".json,application/json"
        className="sr-only"
        aria-label={t("common.jobFile")}
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) bringing.mutate(file);
          event.target.value = "";
        }}
      />
      <Button disabled={bringing.isPending} onClick={() => picker.current?.click()}>
        {bringing.isPending ? howFar(sent) : t("desk.importAJobFile")}
      </Button>
      {bringing.error && (
        <Modal open onOpenChange={() => bringing.reset()} title={t("desk.thisFileWasNotAccepted")}>
          <p>{t("desk.nothingWasChangedWhatIsWrong")}</p>
          <ul className="mt-2 list-disc pl-5">
            {bringing.error instanceof ProblemError &&
            Object.keys(bringing.error.problem.fields ?? {}).length > 0 ? (
              Object.entries(bringing.error.problem.fields ?? {}).map(([path, text]) => (
                <li key={path}>
                  <strong>{path}</strong>: {text}
                </li>
              ))
            ) : (
              <li>{bringing.error.message}</li>
            )}
          </ul>
        </Modal>
      )}
    </>
  );
}
