/** The head of what is saved when asked to be: its title, Save, undo and redo, and how it stands. */
import { Redo2, Undo2 } from "lucide-react";
import type { ReactNode } from "react";
import { Button, IconButton } from "../../parts/controls";
import { t } from "../words";
import { KEPT_STATES } from "./states";
import type { SaveState } from "./store";

export interface KeptTurns {
  save: SaveState;
  keep: () => Promise<void>;
  giveUp: () => void;
  /** None where there is nothing to undo; so with redo. */
  undo: (() => void) | null;
  redo: (() => void) | null;
}

export function KeptHead({
  kept,
  title,
  saving,
  changes = true,
  children,
}: {
  kept: KeptTurns;
  title: ReactNode;
  /** What the button that saves is called. */
  saving: string;
  /** Whoever looks only has nothing to save. */
  changes?: boolean;
  children?: ReactNode;
}) {
  const { save, undo, redo } = kept;
  return (
    <div className="mb-2 flex flex-wrap items-center gap-3">
      {title}
      {changes && (
        <>
          <Button
            kind="main"
            disabled={save === "saved" || save === "saving" || save === "conflict"}
            onClick={() => void kept.keep()}
          >
            {saving}
          </Button>
          <span className="flex">
            <IconButton label={t("common.undo")} disabled={!undo} onClick={() => undo?.()}>
              <Undo2 size={18} />
            </IconButton>
            <IconButton label={t("job.redo")} disabled={!redo} onClick={() => redo?.()}>
              <Redo2 size={18} />
            </IconButton>
          </span>
          {save !== "saved" && (
            <Button onClick={kept.giveUp}>{t("house.backToWhatWasSaved")}</Button>
          )}
          <span role="status" className="text-sm text-faded">
            {t(KEPT_STATES[save])}
          </span>
        </>
      )}
      {children}
    </div>
  );
}
