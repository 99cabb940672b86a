import { createContext, useContext, useSyncExternalStore } from "react";
import type { JobSession, Snapshot } from "./session";

export const SessionContext = createContext<JobSession | null>(null);

export function useSession(): JobSession {
  const session = useContext(SessionContext);
  if (!session) throw new Error("useSession outside SessionContext");
  return session;
}

export function useSnapshot(): Snapshot {
  const session = useSession();
  return useSyncExternalStore(session.subscribe, session.read);
}

/** What is pointed at: ids of quantities or paths of entries, space-separated. */
export interface Lit {
  ids: string;
  point: (ids: string) => void;
}

export const LitContext = createContext<Lit>({ ids: "", point: () => undefined });

export function useLit(): Lit {
  return useContext(LitContext);
}
