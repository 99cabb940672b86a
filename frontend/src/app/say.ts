/**
 * Sentences in the workshop's own words: `{signature}`, `{signatures}`, `{Signature}` and `{Signatures}`
 * stand for its word for a folded section. What people wrote themselves is never passed through here.
 */
import { useMemo } from "react";
import { usePerson } from "./person";

export type Say = (sentence: string) => string;

const capital = (word: string) => word.charAt(0).toUpperCase() + word.slice(1);

export function sayIn(vocabulary: string): Say {
  const words: Record<string, string> = {
    signature: vocabulary,
    signatures: `${vocabulary}s`,
    Signature: capital(vocabulary),
    Signatures: `${capital(vocabulary)}s`,
  };
  return (sentence) =>
    sentence.replace(/\{(\w+)\}/g, (whole, name: string) => words[name] ?? whole);
}

export function useSay(): Say {
  const { vocabulary } = usePerson();
  return useMemo(() => sayIn(vocabulary), [vocabulary]);
}
