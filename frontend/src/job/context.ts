import { createContext, useContext, useSyncExternalStore } from "react";
import type { FormName } from "../api/client";
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

/** The form that is open at its part on a drawing, and where its fields go meanwhile. */
export interface AtPart {
  open: FormName | null;
  place: HTMLElement | null;
  setOpen: (form: FormName | null) => void;
  setPlace: (place: HTMLElement | null) => void;
}

export const AtPartContext = createContext<AtPart>({
  open: null,
  place: null,
  setOpen: () => undefined,
  setPlace: () => undefined,
});

export function useAtPart(): AtPart {
  return useContext(AtPartContext);
}
