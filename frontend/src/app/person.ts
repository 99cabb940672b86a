import { useMutation, useQueryClient } from "@tanstack/react-query";
import { createContext, useContext } from "react";
import { api, type Person, type PreferencesChange, unwrap } from "../api/client";

export const PersonContext = createContext<Person | null>(null);

/** Who is signed in, and how they read lengths. */
export function usePerson(): Person {
  const person = useContext(PersonContext);
  if (!person) throw new Error("usePerson outside PersonContext");
  return person;
}

/** Whether whoever is signed in may look at everything and change nothing. */
export function useReader(): boolean {
  return usePerson().role === "reader";
}

/** Changes preferences; everything that shows lengths follows. */
export function useChangePreferences() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (change: PreferencesChange) =>
      unwrap(await api.PATCH("/api/me", { body: change })),
    onSuccess: (person) => {
      queries.setQueryData(["me"], person);
      // a job being worked on is planned anew by its own page, and keeps what is typed
      void queries.invalidateQueries({
        predicate: ({ queryKey }) => queryKey[0] !== "me" && queryKey[0] !== "job",
      });
    },
  });
}

export const UNITS = ["mm", "inch", "both"] as const;
