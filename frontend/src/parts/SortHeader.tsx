/** The head of a column that can be sorted by. */
export type Direction = "ascending" | "descending" | "none";

const ARROWS: Record<Direction, string> = { ascending: "↑", descending: "↓", none: "" };

export function SortHeader({
  title,
  direction,
  onSort,
  className = "",
}: {
  title: string;
  direction: Direction;
  onSort: () => void;
  className?: string;
}) {
  return (
    <th className={`py-1.5 pr-3 font-normal ${className}`} aria-sort={direction}>
      <button type="button" className="hover:underline" onClick={onSort}>
        {title} <span aria-hidden>{ARROWS[direction]}</span>
      </button>
    </th>
  );
}
