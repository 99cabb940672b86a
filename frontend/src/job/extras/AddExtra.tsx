/** What could be added here, from small pictures. */
import { useState } from "react";
import { t } from "../../app/words";
import { Sketch } from "../../drawing/Sketch";
import { Button } from "../../parts/controls";
import { Modal } from "../../parts/Modal";
import { useSession } from "../context";
import type { ExtraRecord } from "../../api/client";

export function AddExtra({
  offered,
  first,
  onClose,
  onAdded,
}: {
  offered: readonly ExtraRecord[];
  /** The one to be looked at first, by its name. */
  first: string;
  onClose: () => void;
  onAdded: (name: string) => void;
}) {
  const session = useSession();
  const [looked, setLooked] = useState(first);
  const shown = offered.find((extra) => extra.name === looked) ?? offered[0];
  return (
    <Modal open onOpenChange={(open) => !open && onClose()} title={t("job.whatElse")} wider>
      <div className="grid gap-4 md:grid-cols-[1fr_20rem]">
        <ul className="grid content-start grid-cols-2 gap-2 sm:grid-cols-3 lg:grid-cols-4">
          {offered.map((extra) => (
            <li key={extra.name}>
              <button
                type="button"
                aria-pressed={extra === shown}
                className={`flex h-full w-full flex-col items-center gap-1 rounded border p-2 text-center text-sm leading-tight hover:bg-linen ${extra === shown ? "border-2 border-hill bg-linen" : "border-rule bg-sheet"}`}
                onClick={() => setLooked(extra.name)}
              >
                <Sketch drawing={extra.picture} width={118} height={72} />
                <strong className="font-serif">{extra.does}</strong>
              </button>
            </li>
          ))}
        </ul>
        {shown && (
          <section aria-live="polite" aria-label={shown.does} className="text-sm leading-snug">
            <h3 className="font-serif text-lg font-semibold">{shown.does}</h3>
            <p className="mt-1">{shown.good_for}</p>
            {shown.fields.length > 0 && (
              <p className="mt-2 text-faded">
                {t("job.itAsksFor", {
                  what: shown.fields.map((field) => field.label.toLowerCase()).join(", "),
                })}
              </p>
            )}
            <Button
              kind="main"
              className="mt-3"
              onClick={() => {
                session.apply({ [`extras.${shown.name}`]: shown.begins });
                onAdded(shown.name);
              }}
            >
              {t("job.addIt")}
            </Button>
          </section>
        )}
      </div>
    </Modal>
  );
}
