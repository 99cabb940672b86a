import { Beside, Meets } from "../app/drafts/Meets";
import { useSession, useSnapshot } from "./context";

/** Two people on one job: what meets is asked, and what the other changed beside it is said. */
export function Conflict() {
  const session = useSession();
  const { meets, beside } = useSnapshot();
  return (
    <>
      <div className="fixed inset-x-0 bottom-0 z-10 mx-auto max-w-3xl empty:hidden">
        <Beside beside={beside} onSeen={() => session.seenOthers()} />
      </div>
      <Meets meets={meets} onSettle={(sides) => session.settle(sides)} />
    </>
  );
}
