/** The workshop's own word for a folded section, wherever the interface says one. */
import { usePerson } from "./person";

const PLURALS = { signature: "signatures", section: "sections", gathering: "gatherings" } as const;

export function useSay(): (text: string) => string {
  const { vocabulary } = usePerson();
  return (text) =>
    vocabulary === "signature"
      ? text
      : text.replace(/\b([Ss])ignature(s?)\b(?! mark)/g, (_, first: string, plural: string) => {
          const word = plural ? PLURALS[vocabulary] : vocabulary;
          return first === "S" ? word.charAt(0).toUpperCase() + word.slice(1) : word;
        });
}
