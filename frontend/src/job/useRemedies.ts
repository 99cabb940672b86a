/** Remedies that were tried: asked for once typing has stopped, and shown when each has proved to help. */
import { useEffect, useState } from "react";
import { type Action, api, type Finding, type Station, unwrap } from "../api/client";
import { useSnapshot } from "./context";
import { useDraftQuery } from "./useDraftQuery";

const AFTER_MS = 200;

export function useRemedies(findings: readonly Finding[], station: Station): readonly Finding[] {
  const { draft } = useSnapshot();
  const [settled, setSettled] = useState(draft);
  useEffect(() => {
    const timer = window.setTimeout(() => setSettled(draft), AFTER_MS);
    return () => window.clearTimeout(timer);
  }, [draft]);
  const offers = findings.some(({ actions }) => actions.length > 0);
  const { data, isPlaceholderData } = useDraftQuery(
    "remedies",
    async (body, signal) =>
      unwrap(await api.POST("/api/remedies", { body, params: { query: { station } }, signal })),
    { enabled: offers && settled === draft },
    station,
  );
  return isPlaceholderData ? [] : (data ?? []);
}

/** What may be done about a finding. */
export function actionsOf(remedies: readonly Finding[], finding: Finding): readonly Action[] {
  const same = ({ code, about, message }: Finding) =>
    code === finding.code && about === finding.about && message === finding.message;
  return remedies.find(same)?.actions ?? [];
}
