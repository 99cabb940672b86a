/** Every way to bind the text, from small pictures: what each is good for, how long it lasts, what it takes. */
import { t } from "../app/words";
import { type ReactNode, useState } from "react";
import { api, type StructureChoice, unwrap } from "../api/client";
import { Sketch } from "../drawing/Sketch";
import { Button, SeverityMark } from "../parts/controls";
import { Modal } from "../parts/Modal";
import { useSession, useSnapshot } from "./context";
import { useDraftQuery } from "./useDraftQuery";

export function ChooseStructure() {
  const [open, setOpen] = useState(false);
  const { plan } = useSnapshot();
  const words = plan?.structure.words;
  // nothing that would grow when the plan comes
  if (!words) return null;
  return (
    <>
      <button
        type="button"
        className="rounded border border-hill px-2 py-0.5 text-sm text-hill hover:bg-linen"
        aria-label={t("job.chooseAStructureNowWords", { words })}
        onClick={() => setOpen(true)}
      >
        {words}
      </button>
      <Modal open={open} onOpenChange={setOpen} title={t("job.howIsItBound")} wider>
        {open && <Structures onDone={() => setOpen(false)} />}
      </Modal>
    </>
  );
}

function Structures({ onDone }: { onDone: () => void }) {
  const [looked, setLooked] = useState<string | null>(null);
  const { data, error } = useDraftQuery("structures", async (body) =>
    unwrap(await api.POST("/api/structures", { body })),
  );
  if (error) return <p role="alert">{error.message}</p>;
  if (!data) return <p>{t("common.reckoning")}</p>;
  const shown = data.find((each) => each.name === looked) ?? data.find((each) => each.chosen);
  return (
    <div className="grid gap-4 md:grid-cols-[1fr_20rem]">
      <ul className="grid grid-cols-2 gap-2 sm:grid-cols-3 lg:grid-cols-5">
        {data.map((structure) => (
          <li key={structure.name}>
            <Picture
              structure={structure}
              looked={structure === shown}
              onLook={() => setLooked(structure.name)}
            />
          </li>
        ))}
      </ul>
      {shown && <Details key={shown.name} structure={shown} onDone={onDone} />}
      <p className="text-sm text-faded md:col-span-2">{t("job.theDotsSayHowMuchWork")}</p>
    </div>
  );
}

const WORST = { stop: "job.doesNotSuit", mind: "job.withCare", note: null } as const;

function Picture({
  structure,
  looked,
  onLook,
}: {
  structure: StructureChoice;
  looked: boolean;
  onLook: () => void;
}) {
  const worst = structure.unsuited.some((reason) => reason.severity === "stop")
    ? "stop"
    : structure.unsuited.length > 0
      ? "mind"
      : "note";
  const words = WORST[worst];
  const colour = worst === "stop" ? "text-madder" : "text-amber";
  return (
    <button
      type="button"
      aria-pressed={looked}
      className={`flex h-full w-full flex-col items-center gap-1 rounded border p-2 text-center text-sm leading-tight hover:bg-linen ${looked ? "border-2 border-hill bg-linen" : "border-rule bg-sheet"}`}
      onClick={onLook}
    >
      <Sketch drawing={structure.picture} width={118} height={72} />
      <strong className="font-serif">{structure.title}</strong>
      <Effort of={structure.effort} />
      {structure.chosen && <span className="text-hill">{t("job.now")}</span>}
      {words && <span className={colour}>{t(words)}</span>}
    </button>
  );
}

function Effort({ of }: { of: number }) {
  return (
    <span className="text-xs text-faded" role="img" aria-label={t("job.effortOfOf5", { of })}>
      {"●".repeat(of)}
      {"○".repeat(5 - of)}
    </span>
  );
}

function Details({ structure, onDone }: { structure: StructureChoice; onDone: () => void }) {
  const session = useSession();
  const [covering, setCovering] = useState(structure.covering);
  const otherwise = covering !== structure.covering;
  return (
    <section aria-live="polite" aria-label={structure.title} className="text-sm leading-snug">
      <h3 className="font-serif text-lg font-semibold">{structure.title}</h3>
      <dl className="mt-1 space-y-1.5">
        <Fact name="Good for">{structure.good_for}</Fact>
        <Fact name="Lasts">{structure.lasts}</Fact>
        <Fact name="Takes">{structure.effort_words}</Fact>
        <Fact name="Needs">{structure.needs}</Fact>
      </dl>
      {structure.coverings.length > 1 && (
        <fieldset className="mt-2">
          <legend className="text-faded">{t("job.covered")}</legend>
          <div className="flex flex-wrap gap-x-3">
            {structure.coverings.map((option) => (
              <label key={option.value} className="flex items-center gap-1">
                <input
                  type="radio"
                  name="covering"
                  className="size-[24px] accent-hill"
                  checked={covering === option.value}
                  onChange={() => setCovering(option.value)}
                />
                {option.label}
              </label>
            ))}
          </div>
        </fieldset>
      )}
      {structure.unsuited.map((reason) => (
        <p key={reason.message} className="mt-2 rounded border border-rule bg-sheet p-2">
          <SeverityMark severity={reason.severity} /> {reason.message}
          <span className="block text-faded">{reason.remedy}</span>
        </p>
      ))}
      {structure.chosen && !otherwise ? (
        <p className="mt-3">{t("job.theBookIsBoundSo")}</p>
      ) : (
        <>
          {structure.changes.length > 0 && (
            <>
              <p className="mt-3 font-semibold">{t("job.choosingItChanges")}</p>
              <ul className="list-disc pl-5">
                {structure.changes.map((change) => (
                  <li key={change}>{change}</li>
                ))}
              </ul>
            </>
          )}
          {structure.kept.length > 0 && (
            <p className="mt-2 text-faded">
              {t("job.notUsedHereSavedForLater", { kept: structure.kept.join(", ") })}
            </p>
          )}
          <Button
            kind="main"
            className="mt-3"
            onClick={() => {
              session.apply({
                ...structure.patch,
                ...(otherwise ? { "binding.covering": covering } : {}),
              });
              onDone();
            }}
          >
            {t("job.chooseThisBinding")}
          </Button>
        </>
      )}
    </section>
  );
}

function Fact({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div>
      <dt className="text-faded">{name}</dt>
      <dd>{children}</dd>
    </div>
  );
}
