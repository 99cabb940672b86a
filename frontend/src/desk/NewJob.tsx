/** Beginning a job: what lies on the bench, in as few words as will do. */
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useId, useRef, useState } from "react";
import { useNavigate } from "react-router";
import { bring } from "../api/bring";
import { api, type Job, ProblemError, unwrap } from "../api/client";
import { usePerson } from "../app/person";
import { useChoices } from "../job/choices";
import { Button } from "../parts/controls";
import { Modal } from "../parts/Modal";

type Kind = "printed" | "blank";

interface Answers {
  title: string;
  pages: string;
  width: string;
  height: string;
  grammage: string;
  board: string;
}

const KINDS: readonly { kind: Kind; title: string; text: string }[] = [
  { kind: "printed", title: "A text", text: "Printed, or to be printed, on sheets to fold." },
  { kind: "blank", title: "Blank paper", text: "For a book to write or draw in." },
];

/** The entries of a job the questions stand for, to show what is wrong where it was asked. */
const PATHS: Record<keyof Answers, string> = {
  title: "title",
  pages: "text.pages",
  width: "leaf.width",
  height: "leaf.height",
  grammage: "paper.grammage",
  board: "binding.board",
};

const FIRST: Answers = {
  title: "",
  pages: "128",
  width: "",
  height: "",
  grammage: "90",
  board: "2 mm",
};

function useBegun() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  return (id: number) => {
    void queries.invalidateQueries({ queryKey: ["jobs"] });
    void navigate(`/jobs/${id}`);
  };
}

export function NewJob({
  open,
  onOpenChange,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
}) {
  const person = usePerson();
  const choices = useChoices();
  const [kind, setKind] = useState<Kind>("printed");
  const [answers, setAnswers] = useState(FIRST);
  const begun = useBegun();
  const suggestion = person.units === "inch" ? ["5 1/2 in", "8 1/2 in"] : ["140 mm", "210 mm"];
  const width = answers.width || (suggestion[0] ?? "");
  const height = answers.height || (suggestion[1] ?? "");

  const create = useMutation({
    mutationFn: async () =>
      unwrap(
        await api.POST("/api/jobs", {
          body: {
            title: answers.title.trim() || (kind === "blank" ? "Blank book" : "Untitled book"),
            text: { pages: answers.pages, blank_book: kind === "blank" },
            leaf: { width, height },
            paper: { grammage: answers.grammage },
            binding: { board: answers.board },
          },
        }),
      ),
    onSuccess: (job) => {
      onOpenChange(false);
      setAnswers(FIRST);
      begun(job.id);
    },
  });
  const problem = create.error instanceof ProblemError ? create.error.problem : null;
  const fields = problem?.fields ?? {};
  const shown = { ...answers, width, height };
  function field(name: keyof Answers, label: string, hint?: string) {
    return (
      <Question
        label={label}
        hint={hint}
        error={fields[PATHS[name]]}
        value={shown[name]}
        onChange={(text) => setAnswers({ ...shown, [name]: text })}
      />
    );
  }

  return (
    <Modal open={open} onOpenChange={onOpenChange} title="What have you on the bench?">
      <form
        className="space-y-3"
        onSubmit={(event) => {
          event.preventDefault();
          create.mutate();
        }}
      >
        <div
          className="grid grid-cols-2 gap-2"
          role="radiogroup"
          aria-label="What lies on the bench"
        >
          {KINDS.map((each) => (
            <button
              key={each.kind}
              type="button"
              role="radio"
              aria-checked={kind === each.kind}
              className={`rounded border p-3 text-left ${kind === each.kind ? "border-2 border-hill bg-linen" : "border-rule"}`}
              onClick={() => setKind(each.kind)}
            >
              <span className="block font-serif font-semibold">{each.title}</span>
              <span className="text-sm text-faded">{each.text}</span>
            </button>
          ))}
        </div>
        {field("title", "Title")}
        <div className="grid grid-cols-3 gap-2">
          {field("pages", "Pages")}
          {field("width", "Leaf width, trimmed")}
          {field("height", "Leaf height")}
        </div>
        <div className="flex flex-wrap items-center gap-1 text-sm" aria-label="Common leaf sizes">
          {choices?.leaves.map((size) => (
            <button
              key={size.name}
              type="button"
              className="rounded border border-rule px-1.5 py-0.5 text-hill hover:bg-linen"
              onClick={() =>
                setAnswers({ ...shown, width: `${size.width} mm`, height: `${size.height} mm` })
              }
            >
              {size.name}
            </button>
          ))}
        </div>
        <div className="grid grid-cols-2 gap-2">
          {field("grammage", "Paper, g/m²")}
          {field("board", "Board thickness", "2 mm, 80pt …")}
        </div>
        {problem && Object.keys(fields).every((path) => !Object.values(PATHS).includes(path)) && (
          <p role="alert" className="text-madder">
            {problem.message}
          </p>
        )}
        <Button kind="main" type="submit" disabled={create.isPending}>
          Begin the job
        </Button>
      </form>
    </Modal>
  );
}

function Question({
  label,
  hint,
  error,
  value,
  onChange,
}: {
  label: string;
  hint?: string | undefined;
  error?: string | undefined;
  value: string;
  onChange: (text: string) => void;
}): ReactNode {
  const id = useId();
  return (
    <div>
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
  const bringing = useMutation({
    mutationFn: (file: File) => bring<Job>("/api/jobs/import", file, { asForm: true }),
    onSuccess: (job) => begun(job.id),
  });
  return (
    <>
      <input
        ref={picker}
        type="file"
        accept=".json,application/json"
        className="sr-only"
        aria-label="Job file"
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) bringing.mutate(file);
          event.target.value = "";
        }}
      />
      <Button onClick={() => picker.current?.click()}>Import a job file</Button>
      {bringing.error && (
        <Modal open onOpenChange={() => bringing.reset()} title="This file was not taken">
          <p>Nothing was changed. What is wrong with it:</p>
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
