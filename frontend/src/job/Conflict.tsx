import { t } from "../app/words";
import { Button } from "../parts/controls";
import { Modal } from "../parts/Modal";
import { useSession, useSnapshot } from "./context";

/** Two people on one job: what the other changed, and whose it is to be. */
export function Conflict() {
  const session = useSession();
  const { conflict } = useSnapshot();
  if (!conflict) return null;
  return (
    <Modal open onOpenChange={() => undefined} title={t("job.somebodyElseChangedThisJob")}>
      <p>{t("job.nothingWasOverwrittenSinceYou")}</p>
      <ul className="figures my-3 list-disc pl-5">
        {Object.entries(conflict.fields).map(([path, text]) => (
          <li key={path}>{text}</li>
        ))}
      </ul>
      <div className="flex gap-3">
        <Button kind="main" onClick={() => session.settle("theirs")}>
          {t("job.takeTheirVersion")}
        </Button>
        <Button onClick={() => session.settle("mine")}>{t("job.putMineOnTop")}</Button>
      </div>
    </Modal>
  );
}
