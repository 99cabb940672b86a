import { useQuery } from "@tanstack/react-query";
import { api, type Choices, unwrap } from "../api/client";

/** What a binder may pick from by name. */
export function useChoices(): Choices | undefined {
  return useQuery({
    queryKey: ["choices"],
    queryFn: async () => unwrap(await api.GET("/api/choices")),
    staleTime: Infinity,
  }).data;
}

/**
 * What an entry can be, by its path, and what other things can be, by their names, as the core has it:
 * value and word of each. `T` is what the one who asks knows the values to be.
 */
export function useOptions<T extends string = string>(
  name: string,
): readonly (readonly [T, string])[] {
  const options = useChoices()?.options[name] ?? [];
  return options.map(({ value, label }) => [value as T, label] as const);
}

/** What one of them is called. */
export function useWord(name: string, value: string): string {
  return useOptions(name).find(([option]) => option === value)?.[1] ?? value;
}
