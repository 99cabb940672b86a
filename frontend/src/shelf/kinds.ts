import type { StockItem, StockKind } from "../api/client";

export const KINDS: readonly (readonly [StockKind, string])[] = [
  ["paper", "Paper"],
  ["endpaper", "Endpaper"],
  ["board", "Board"],
  ["cloth", "Cloth"],
  ["leather", "Leather"],
  ["lining", "Lining"],
  ["thread", "Thread"],
  ["tape", "Tape"],
  ["end_band", "End band"],
  ["ribbon", "Ribbon"],
  ["adhesive", "Adhesive"],
];

export const FORMS: readonly (readonly [StockItem["form"], string])[] = [
  ["sheet", "sheets"],
  ["roll", "a roll"],
  ["skin", "skins"],
  ["reel", "a reel"],
  ["pot", "a pot"],
];

/** What the count of each form is given in. */
export const COUNTED_IN: Record<StockItem["form"], string> = {
  sheet: "sheets",
  skin: "skins",
  roll: "metres",
  reel: "metres",
  pot: "grams",
};

export function kindName(kind: StockKind): string {
  return KINDS.find(([each]) => each === kind)?.[1] ?? kind;
}
