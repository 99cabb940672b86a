import { t } from "../app/words";
import { useState } from "react";
import type { Quantity, Station } from "../api/client";
import { Modal } from "../parts/Modal";
import { useChoices } from "../app/choices";
import { type ExtrasShown, NONE_SHOWN } from "./extras/Extras";
import { useExtras } from "./extras/useExtras";

const NOWHERE: {
  quantity: string | null;
  shown: string;
  also: string;
  extra: ExtrasShown | null;
} = { quantity: null, shown: "", also: "", extra: null };

/** Finds a quantity of the job, a station, or something to add, by a part of its name. */
export function Find(props: FindProps) {
  const { open, onOpenChange } = props;
  return (
    <Modal open={open} onOpenChange={onOpenChange} title={t("job.find")}>
      <Words {...props} />
    </Modal>
  );
}

interface FindProps {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  quantities: readonly Quantity[];
  onFound: (station: Station, quantity: string | null) => void;
  onExtra: (station: Station, shown: ExtrasShown) => void;
}

/** Begins empty each time it is opened. */
function Words({ onOpenChange, quantities, onFound, onExtra }: FindProps) {
  const [words, setWords] = useState("");
  const stations = useChoices()?.stations ?? [];
  const { used, offered } = useExtras();
  const wanted = words.trim().toLowerCase();
  const entries = [
    ...stations.map(({ id, title }) => ({
      ...NOWHERE,
      key: id,
      station: id,
      text: title,
    })),
    ...[...used, ...offered].map((extra) => ({
      ...NOWHERE,
      key: `extra.${extra.name}`,
      station: extra.station,
      text: extra.title,
      also: `${extra.does} ${extra.in_words}`,
      shown: used.includes(extra) ? "" : t("job.toAdd"),
      extra: used.includes(extra)
        ? { ...NONE_SHOWN, unfolded: extra.name }
        : { ...NONE_SHOWN, adding: extra.name },
    })),
    ...quantities.map(({ id, station, label, shown }) => ({
      ...NOWHERE,
      key: id,
      station,
      quantity: id,
      text: label,
      shown,
    })),
  ].filter((entry) => `${entry.text} ${entry.also}`.toLowerCase().includes(wanted));
  function go(entry: (typeof entries)[number] | undefined) {
    if (!entry) return;
    onOpenChange(false);
    if (entry.extra) onExtra(entry.station, entry.extra);
    else onFound(entry.station, entry.quantity);
  }
  return (
    <>
      <label htmlFor="find-words" className="sr-only">
        {t("job.partOfAName")}
      </label>
      <input
        id="find-words"
        className="w-full rounded border border-faded bg-sheet px-2 py-1.5"
        placeholder={t("job.boardJointSwell")}
        value={words}
        onChange={(event) => setWords(event.target.value)}
        onKeyDown={(event) => event.key === "Enter" && go(entries[0])}
      />
      <ul className="mt-2 max-h-80 overflow-y-auto">
        {entries.slice(0, 40).map((entry) => (
          <li key={entry.key}>
            <button
              type="button"
              className="figures flex w-full justify-between rounded px-2 py-1 text-left hover:bg-linen"
              onClick={() => go(entry)}
            >
              <span>{entry.text}</span>
              <span className="text-faded">{entry.shown}</span>
            </button>
          </li>
        ))}
        {entries.length === 0 && (
          <li className="px-2 py-1 text-faded">{t("job.nothingHasThatName")}</li>
        )}
      </ul>
    </>
  );
}
