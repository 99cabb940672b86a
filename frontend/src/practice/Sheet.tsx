/** A sheet's two sides, cell by cell as one looks at each. */
import type { ReactNode } from "react";
import { t } from "../app/words";

export type SideName = "outer" | "inner";
const SIDES = [
  ["outer", "practice.outerSide"],
  ["inner", "practice.innerSide"],
] as const;

export function Sheet({
  columns,
  rows,
  cell,
}: {
  columns: number;
  rows: number;
  /** What stands in a cell; it is named by its side, its row and its column. */
  cell: (side: SideName, place: number, name: string) => ReactNode;
}) {
  return (
    <div className="flex flex-wrap gap-6">
      {SIDES.map(([side, word]) => (
        <figure key={side}>
          <figcaption className="mb-1 font-semibold">{t(word)}</figcaption>
          <div
            className="grid border-2 border-pen bg-white text-black"
            style={{ gridTemplateColumns: `repeat(${columns}, minmax(3.4rem, 1fr))` }}
          >
            {Array.from({ length: columns * rows }, (_, place) => {
              const [row, column] = [Math.floor(place / columns), place % columns];
              const name = t("practice.cell", {
                side: t(word),
                row: row + 1,
                column: column + 1,
              });
              return (
                <div
                  key={place}
                  className={`flex h-20 items-center justify-center border-dashed border-[#8a8f98] ${column ? "border-l" : ""} ${row ? "border-t" : ""}`}
                >
                  {cell(side, place, name)}
                </div>
              );
            })}
          </div>
        </figure>
      ))}
    </div>
  );
}
