/** What lies there already: said at its station, and set or taken back at the bench. */
import { Link } from "react-router";
import { t } from "../app/words";
import { Button } from "../parts/controls";
import type { Plan, Station } from "../api/client";
import { useSession, useSnapshot } from "./context";
import type { Draft } from "./paths";

type Fact = Plan["lying"][number];
type ByHand = NonNullable<NonNullable<Draft["bench"]>["facts"]>;

/** What is so of this station's work before anything is done; nothing where all is still to do. */
export function SoAlready({ station }: { station: Station }) {
  const { job, plan } = useSnapshot();
  const so = (plan?.lying ?? []).filter((each) => each.station === station && each.so);
  if (so.length === 0) return null;
  return (
    <p className="rounded border border-rule bg-linen px-3 py-1.5">
      <strong>{t("job.already")}</strong> {so.map((each) => `${each.said}.`).join(" ")}{" "}
      <Link className="text-hill underline" to={`/jobs/${job.id}/bench`}>
        {t("job.changeAtTheBench")}
      </Link>
    </p>
  );
}

/** Everything that may be so, ticked where it is; a tick by hand can be taken back. */
export function WhatIsSo() {
  const session = useSession();
  const { draft, plan } = useSnapshot();
  const facts = plan?.lying ?? [];
  const byHand: ByHand = draft.bench?.facts ?? {};
  const said = facts
    .filter((each) => each.so)
    .map((each) => `${each.said}.`)
    .join(" ");
  const set = (fact: Fact, so: boolean) =>
    session.set("bench.facts", { ...byHand, [fact.fact]: so });
  return (
    <details className="w-full">
      <summary className="min-h-9 cursor-pointer">
        <strong>{t("job.already")}</strong> {said || t("bench.nothingYet")}
      </summary>
      <ul className="grid grid-cols-1 gap-x-4 sm:grid-cols-2 xl:grid-cols-3">
        {facts.map((fact) => (
          <li key={fact.fact}>
            <label className="flex min-h-7 items-center gap-2">
              <input
                type="checkbox"
                checked={byHand[fact.fact] ?? fact.so}
                onChange={(event) => set(fact, event.target.checked)}
              />
              <span className={fact.by_hand ? "font-semibold" : ""}>{fact.said}</span>
            </label>
          </li>
        ))}
      </ul>
      {Object.keys(byHand).length > 0 && (
        <Button kind="quiet" onClick={() => session.set("bench.facts", {})}>
          {t("bench.asItBegins")}
        </Button>
      )}
    </details>
  );
}
