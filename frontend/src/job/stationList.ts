import type { Station } from "../api/client";

export const STATIONS: readonly { id: Station; title: string }[] = [
  { id: "text", title: "Text" },
  { id: "paper", title: "Paper" },
  { id: "folding", title: "Folding" },
  { id: "printing", title: "Printing" },
  { id: "sewing", title: "Sewing" },
  { id: "block", title: "Block" },
  { id: "boards", title: "Boards & cover" },
  { id: "finish", title: "Finish" },
  { id: "cutting", title: "Cutting" },
];

export function isStation(value: string | undefined): value is Station {
  return STATIONS.some((station) => station.id === value);
}
