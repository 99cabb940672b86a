/** What was found, entered with a wet thumb: digits, the ruler's fractions, or as planned; or typed, or by the calliper. */
import { Delete } from "lucide-react";
import { useEffect, useId, useState } from "react";
import type { AskedSize } from "../../../api/client";
import { usePerson } from "../../../app/person";
import { t } from "../../../app/words";
import { Button } from "../../../parts/controls";
import { Modal } from "../../../parts/Modal";
import { ReadWords, useReadings } from "./instruments";

const DIGITS = ["7", "8", "9", "4", "5", "6", "1", "2", "3", "0", "."];
const EIGHTHS = ["1/8", "1/4", "3/8", "1/2", "5/8", "3/4", "7/8"];
const KEY = "flex min-h-[60px] items-center justify-center text-2xl";

export function NumberPad({
  asked,
  settled,
  onEnter,
}: {
  asked: AskedSize;
  /** What was found before. */
  settled: string;
  onEnter: (found: string) => void;
}) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button
        className="figures flex min-h-[56px] w-full max-w-md items-center justify-between gap-4 text-lg"
        onClick={() => setOpen(true)}
      >
        <span className="font-normal">
          {t("bench.expected", { label: asked.label, expected: asked.expected })}
        </span>
        <strong>{settled || t("bench.enterReading")}</strong>
      </Button>
      <Modal open={open} onOpenChange={setOpen} title={asked.label}>
        {open && (
          <Pad
            asked={asked}
            settled={settled}
            onEnter={(found) => {
              setOpen(false);
              onEnter(found);
            }}
          />
        )}
      </Modal>
    </>
  );
}

function Pad({
  asked,
  settled,
  onEnter,
}: {
  asked: AskedSize;
  settled: string;
  onEnter: (found: string) => void;
}) {
  const id = useId();
  const inches = usePerson().units === "inch";
  const [typed, setTyped] = useState(settled);
  const readings = useReadings(setTyped);
  const { listen } = readings;
  useEffect(() => listen(), [listen]);
  const add = (sign: string) => setTyped((before) => before + sign);
  /** A fraction goes after whole inches, and in place of the fraction there is. */
  const fraction = (part: string) =>
    setTyped((before) => {
      const whole = /^\d+(?![/.\d])/.exec(before)?.[0] ?? "";
      return whole ? `${whole} ${part}` : part;
    });
  return (
    <form
      className="space-y-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (typed.trim()) onEnter(typed.trim());
      }}
    >
      <label htmlFor={id} className="block text-faded">
        {t("bench.expected", { label: asked.label, expected: asked.expected })}
      </label>
      <input
        id={id}
        className="figures h-[64px] w-full rounded border border-faded bg-sheet px-3 text-4xl"
        value={typed}
        // the pad stands in for the keyboard of the screen; a real one types all the same
        inputMode="none"
        autoComplete="off"
        onFocus={(event) => event.target.select()}
        onChange={(event) => setTyped(event.target.value)}
      />
      <div className="grid grid-cols-3 gap-2">
        {DIGITS.map((digit) => (
          <Button key={digit} className={KEY} onClick={() => add(digit)}>
            {digit}
          </Button>
        ))}
        <Button
          className={KEY}
          aria-label={t("bench.deleteLast")}
          onClick={() => setTyped((before) => before.slice(0, -1).trimEnd())}
        >
          <Delete aria-hidden />
        </Button>
      </div>
      {inches ? (
        <div className="grid grid-cols-4 gap-2">
          {EIGHTHS.map((part) => (
            <Button key={part} className={KEY} onClick={() => fraction(part)}>
              {part}
            </Button>
          ))}
          <Button className={KEY} onClick={() => add("/")}>
            /
          </Button>
        </div>
      ) : (
        <Button
          className={`${KEY} w-full`}
          onClick={() => setTyped((before) => `${/^\d*/.exec(before)?.[0] || "0"}.5`)}
        >
          {t("bench.andAHalf")}
        </Button>
      )}
      <ReadWords readings={readings} />
      <div className="flex gap-2">
        <Button className={`${KEY} flex-1 text-lg`} onClick={() => onEnter(asked.planned)}>
          {t("bench.asPlanned", { expected: asked.expected })}
        </Button>
        <Button
          type="submit"
          kind="main"
          className={`${KEY} flex-1 text-lg`}
          disabled={!typed.trim()}
        >
          {t("bench.enterReading")}
        </Button>
      </div>
    </form>
  );
}
