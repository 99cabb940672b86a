import { t, type WordKey } from "../app/words";
import { useSnapshot } from "./context";
import type { SaveState } from "../app/drafts/store";

const WORDS: Record<SaveState, WordKey> = {
  saved: "common.saved",
  saving: "common.saving",
  unsaved: "common.notSavedYet",
  wrong: "job.notSavedSomethingToCorrect",
  signed_out: "job.notSavedYouAreSignedOut",
  conflict: "job.notSavedYetChooseWhichTo",
  failed: "job.notSavedButHeldInThis",
};

export function SaveMark() {
  const { save, said } = useSnapshot();
  const calm = save === "saved" || save === "saving";
  return (
    <span
      role="status"
      className={`text-sm ${calm ? "sr-only text-faded sm:not-sr-only" : "max-h-9 overflow-y-auto leading-tight font-semibold text-amber"}`}
    >
      {t(WORDS[save])}
      {save === "failed" && `: ${said}`}
    </span>
  );
}
