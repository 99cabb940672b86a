/** How what is kept as a whole stands, in words: rules, people, terms. */
import type { WordKey } from "../words";
import type { SaveState } from "./store";

export const KEPT_STATES: Record<SaveState, WordKey> = {
  saved: "house.kept",
  saving: "common.saving",
  unsaved: "house.notKeptYet",
  wrong: "house.notKeptSeeWhatIsMarked",
  signed_out: "house.notKeptYouAreSignedOut",
  conflict: "house.notKeptSomebodyElseChangedThe",
  failed: "house.notKeptButWhatYouTyped",
};
