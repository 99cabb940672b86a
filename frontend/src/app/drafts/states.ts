/** How what is kept as a whole stands, in words: rules, people, terms. */
import type { WordKey } from "../words";
import type { SaveState } from "./store";

export const KEPT_STATES: Record<SaveState, WordKey> = {
  saved: "house.saved",
  saving: "common.saving",
  unsaved: "house.notSavedYet",
  wrong: "house.notSavedSeeWhatIsMarked",
  signed_out: "house.notSavedYouAreSignedOut",
  conflict: "house.notSavedYetChooseWhichTo",
  failed: "house.notSavedButWhatYouTyped",
};
