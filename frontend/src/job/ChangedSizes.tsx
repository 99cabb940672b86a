/** Says once, to whoever does not see it, which of the sizes a station is for have changed. */
import { useEffect, useRef, useState } from "react";
import type { Plan, Station } from "../api/client";
import { t } from "../app/words";

/** A hand that goes on typing is not interrupted. */
const QUIET_MS = 800;

interface Known {
  station: Station;
  sizes: ReadonlyMap<string, string>;
}

export function ChangedSizes({ plan, station }: { plan: Plan; station: Station }) {
  const known = useRef<Known | null>(null);
  const [said, setSaid] = useState("");
  useEffect(() => {
    const leads = plan.leads.filter((each) => each.station === station);
    const sizes = new Map(
      leads.map(({ about, label, shown }) => [about, t("job.sizeOfPiece", { label, shown })]),
    );
    const before = known.current;
    if (before?.station !== station) {
      known.current = { station, sizes };
      return;
    }
    const timer = window.setTimeout(() => {
      known.current = { station, sizes };
      const changed = [...sizes].filter(([about, size]) => before.sizes.get(about) !== size);
      if (changed.length > 0) setSaid(changed.map(([, size]) => size).join("; "));
    }, QUIET_MS);
    return () => window.clearTimeout(timer);
  }, [plan, station]);
  return (
    <p aria-live="polite" className="sr-only" data-changed>
      {said}
    </p>
  );
}
