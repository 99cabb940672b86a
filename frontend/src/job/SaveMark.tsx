import { useSnapshot } from "./context";
import type { SaveState } from "../app/drafts/store";

const WORDS: Record<SaveState, string> = {
  saved: "saved",
  saving: "saving …",
  unsaved: "not saved yet",
  wrong: "not saved: something to correct",
  signed_out: "not saved: you are signed out. Sign in in another tab; what you typed is kept here.",
  conflict: "not saved: somebody else changed this job",
  failed: "not saved, but kept in this browser",
};

export function SaveMark() {
  const { save, said } = useSnapshot();
  const calm = save === "saved" || save === "saving";
  return (
    <span role="status" className={`text-sm ${calm ? "text-faded" : "font-semibold text-amber"}`}>
      {WORDS[save]}
      {save === "failed" && `: ${said}`}
    </span>
  );
}
