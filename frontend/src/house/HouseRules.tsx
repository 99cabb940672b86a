/** The rules of the workshop: schools, squares by size, gauges, words, hand, paper and rulers. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Plus, X } from "lucide-react";
import { type ReactNode, useEffect, useState } from "react";
import {
  api,
  type House,
  type HouseReply,
  ProblemError,
  type RuleEntry,
  unwrap,
} from "../api/client";
import { usePerson } from "../app/person";
import { Button, IconButton, Pick } from "../parts/controls";

const WORDS = [
  ["signature", "signature"],
  ["section", "section"],
  ["gathering", "gathering"],
] as const;
const HANDS = [
  ["right", "right-handed"],
  ["left", "left-handed"],
] as const;
const PAPERS = [
  ["a4", "A4"],
  ["letter", "Letter"],
] as const;
const INPUT =
  "figures rounded border border-faded bg-sheet px-2 py-1 aria-invalid:border-2 aria-invalid:border-madder";

type Draft = Required<House>;
type Texts = Record<string, string>;

export default function HouseRules() {
  const person = usePerson();
  const house = useQuery({
    queryKey: ["house", person.units],
    queryFn: async () => unwrap(await api.GET("/api/house")) as HouseReply,
    staleTime: Infinity,
    gcTime: 0,
  });
  useEffect(() => {
    document.title = "House rules · Weald";
  }, []);
  if (house.error)
    return (
      <main className="p-8" role="alert">
        {house.error.message}
      </main>
    );
  if (!house.data) return <main className="p-8">Opening the rules …</main>;
  return <Rules key={`${person.units}${house.data.version}`} opened={house.data} />;
}

/** Lengths are kept as typed until the server has read them. */
function Rules({ opened }: { opened: HouseReply }) {
  const client = useQueryClient();
  const [draft, setDraft] = useState(opened.house as Draft);
  const [changed, setChanged] = useState(false);
  const save = useMutation({
    mutationFn: async () =>
      unwrap(
        await api.PUT("/api/house", {
          params: { query: { version: opened.version } },
          body: draft as unknown as Record<string, never>,
        }),
      ) as HouseReply,
    onSuccess: () => {
      void client.invalidateQueries({ queryKey: ["house"] });
      void client.invalidateQueries({ queryKey: ["me"] });
    },
  });
  const errors: Texts = save.error instanceof ProblemError ? (save.error.problem.fields ?? {}) : {};
  const change = (part: Partial<Draft>) => {
    setDraft({ ...draft, ...part });
    setChanged(true);
  };
  const shown = (path: string, value: unknown): string =>
    typeof value === "string" ? value : value == null ? "" : (opened.inputs[path] ?? String(value));
  const groups = [...new Set(opened.entries.map((entry) => entry.group))];
  return (
    <main className="mx-auto w-full max-w-5xl p-4">
      <div className="mb-2 flex flex-wrap items-center gap-3">
        <h1 className="text-3xl font-semibold">House rules</h1>
        <Button kind="main" disabled={!changed || save.isPending} onClick={() => save.mutate()}>
          Keep these rules
        </Button>
        {changed && (
          <Button
            onClick={() => {
              setDraft(opened.house as Draft);
              setChanged(false);
              save.reset();
            }}
          >
            Back to what was kept
          </Button>
        )}
        <span role="status" className="text-sm text-faded">
          {save.isPending ? "saving …" : changed ? "not kept yet" : "kept"}
        </span>
      </div>
      <p className="mb-4 max-w-prose text-sm text-faded">
        A new job takes from here whatever it does not say itself. A job may decide otherwise; it
        then shows where it departs, and jobs that are there already stay as they are.
      </p>
      {save.error && (
        <p role="alert" className="mb-3 text-madder">
          {save.error.message}
        </p>
      )}
      <div className="grid gap-6 lg:grid-cols-2">
        <div className="space-y-4">
          {groups.map((group) => (
            <Part key={group} title={group}>
              {opened.entries
                .filter((entry) => entry.group === group)
                .map((entry) => (
                  <Rule
                    key={entry.path}
                    entry={entry}
                    usual={opened.usual[entry.path]}
                    value={shown(`rules.${entry.path}`, draft.rules[entry.path])}
                    wrong={errors[`rules.${entry.path}`]}
                    onChange={(value) => {
                      const others = Object.fromEntries(
                        Object.entries(draft.rules).filter(([path]) => path !== entry.path),
                      );
                      change({
                        rules: value === null ? others : { ...others, [entry.path]: value },
                      });
                    }}
                  />
                ))}
            </Part>
          ))}
        </div>
        <div className="space-y-4">
          <Part title="Squares by the size of the book">
            <SquareSteps draft={draft} shown={shown} errors={errors} onChange={change} />
          </Part>
          <Part title="Gauges owned">
            <Gauges draft={draft} shown={shown} errors={errors} onChange={change} />
          </Part>
          <Part title="Words and hands">
            <Pick
              label="A folded section is called"
              value={draft.vocabulary}
              options={WORDS}
              onChange={(vocabulary) => change({ vocabulary })}
            />
            <Pick
              label="The sewing is shown"
              value={draft.hand}
              options={HANDS}
              onChange={(hand) => change({ hand })}
            />
          </Part>
          <Part title="For people who are new">
            <Pick
              label="Printed on"
              value={draft.paper}
              options={PAPERS}
              onChange={(paper) => change({ paper })}
            />
            <Pick
              label="Rulers marked to"
              value={String(draft.mm_division)}
              options={[0.1, 0.25, 0.5, 1].map((each) => [String(each), `${each} mm`] as const)}
              onChange={(mark) => change({ mm_division: Number(mark) })}
            />
            <Pick
              label="and to"
              value={String(draft.inch_division)}
              options={[16, 32, 64].map((each) => [String(each), `1/${each}″`] as const)}
              onChange={(mark) => change({ inch_division: Number(mark) as 16 | 32 | 64 })}
            />
          </Part>
        </div>
      </div>
    </main>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <fieldset className="rounded border border-rule bg-sheet p-3">
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
  if (entry.kind === "choice") {
    const label = entry.options.find((option) => option.value === usual)?.label ?? "";
    return (
      <Pick
        label={entry.label}
        value={value}
        options={[
          ["", `no rule (${label})`] as const,
          ...entry.options.map((option) => [option.value, option.label] as const),
        ]}
        onChange={(next) => onChange(next || null)}
      />
    );
  }
  return (
    <label className="block text-sm text-faded">
      {entry.label}
      <input
        className={`${INPUT} block w-28 text-base text-ink`}
        value={value}
        placeholder={usual == null ? "no rule" : String(usual)}
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
  ["up_to", "Blocks up to"],
  ["head", "Head"],
  ["tail", "Tail"],
  ["fore_edge", "Fore-edge"],
] as const;

function SquareSteps({ draft, shown, errors, onChange }: PartProps) {
  const last = draft.squares.at(-1);
  return (
    <div className="w-full space-y-2">
      {draft.squares.length === 0 && (
        <p className="text-sm text-faded">No rule: 3 at head and tail, 4 at the fore-edge.</p>
      )}
      {draft.squares.map((step, place) => (
        <div key={place} className="flex flex-wrap items-end gap-2">
          {SQUARE_FIELDS.map(([key, label]) => (
            <label key={key} className="text-sm text-faded">
              {label}
              <input
                className={`${INPUT} block w-20 text-base text-ink`}
                value={shown(`squares.${place}.${key}`, step[key])}
                aria-invalid={errors[`squares.${place}.${key}`] ? true : undefined}
                title={errors[`squares.${place}.${key}`]}
                onChange={(event) =>
                  onChange({
                    squares: draft.squares.map((each, at) =>
                      at === place
                        ? { ...each, [key]: event.target.value as unknown as number }
                        : each,
                    ),
                  })
                }
              />
            </label>
          ))}
          <IconButton
            label={`Take line ${place + 1} out`}
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
                ? { ...last, up_to: `${shown("", last.up_to)}+100` as unknown as number }
                : { up_to: 150, head: 2, tail: 2, fore_edge: 3 },
            ],
          })
        }
      >
        <Plus size={16} aria-hidden /> A size
      </Button>
    </div>
  );
}

function Gauges({ draft, shown, errors, onChange }: PartProps) {
  return (
    <>
      {draft.gauges.map((gauge, place) => (
        <span key={place} className="flex items-end">
          <label className="text-sm text-faded">
            Gauge {place + 1}
            <input
              className={`${INPUT} block w-20 text-base text-ink`}
              value={shown(`gauges.${place}`, gauge)}
              aria-invalid={errors[`gauges.${place}`] ? true : undefined}
              title={errors[`gauges.${place}`]}
              onChange={(event) =>
                onChange({
                  gauges: draft.gauges.map((each, at) =>
                    at === place ? (event.target.value as unknown as number) : each,
                  ),
                })
              }
            />
          </label>
          <IconButton
            label={`Take gauge ${place + 1} out`}
            onClick={() => onChange({ gauges: draft.gauges.filter((_, at) => at !== place) })}
          >
            <X size={16} />
          </IconButton>
        </span>
      ))}
      <Button
        className="inline-flex items-center gap-1 text-sm"
        onClick={() => onChange({ gauges: [...draft.gauges, "1/4 in" as unknown as number] })}
      >
        <Plus size={16} aria-hidden /> A gauge
      </Button>
    </>
  );
}
