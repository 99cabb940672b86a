import { Button } from "../parts/controls";
import { Modal } from "../parts/Modal";
import { useSession, useSnapshot } from "./context";

/** Two people on one job: what the other changed, and whose it is to be. */
export function Conflict() {
  const session = useSession();
  const { conflict } = useSnapshot();
  if (!conflict) return null;
  return (
    <Modal open onOpenChange={() => undefined} title="Somebody else changed this job">
      <p>Nothing was overwritten. Since you opened it, this was changed:</p>
      <ul className="figures my-3 list-disc pl-5">
        {Object.entries(conflict.fields).map(([path, text]) => (
          <li key={path}>{text}</li>
        ))}
      </ul>
      <div className="flex gap-3">
        <Button kind="main" onClick={() => session.settle("theirs")}>
          Take their version
        </Button>
        <Button onClick={() => session.settle("mine")}>Put mine on top</Button>
      </div>
    </Modal>
  );
}
