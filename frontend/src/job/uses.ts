/** What the binding chosen asks for, as the core says it. */
import type { Plan } from "../api/client";
import { useSnapshot } from "./context";

type Facts = Plan["structure"];
type Pairs = readonly (readonly [string, string])[];

export interface Uses {
  facts: Facts | undefined;
  /** Whether it asks for an entry, or for the group the entry is in. */
  asks: (path: string) => boolean;
  methods: Pairs;
  backs: Pairs;
  shoulders: Pairs;
  coverings: Pairs;
}

export function useUses(): Uses {
  const facts = useSnapshot().plan?.structure;
  const pairs = (options: Facts["methods"] | undefined): Pairs =>
    (options ?? []).map((option) => [option.value, option.label] as const);
  return {
    facts,
    asks: (path) =>
      (facts?.entries ?? []).some((entry) => path === entry || path.startsWith(`${entry}.`)),
    methods: pairs(facts?.methods),
    backs: pairs(facts?.backs),
    shoulders: pairs(facts?.shoulders),
    coverings: pairs(facts?.coverings),
  };
}
