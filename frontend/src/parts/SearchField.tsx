import { Search } from "lucide-react";
import { useEffect, useMemo, useRef, useState } from "react";
import { useKeys } from "../app/keys";
import { goBackTo, whatOpened } from "./focus";

const SEARCH_AFTER_MS = 200;

/** Search as one types; `/` goes there. */
export function SearchField({
  label,
  value,
  onSearch,
}: {
  label: string;
  value: string;
  onSearch: (text: string) => void;
}) {
  const [text, setText] = useState(value);
  const field = useRef<HTMLInputElement>(null);
  const from = useRef<HTMLElement | null>(null);
  useKeys(
    useMemo(
      () => ({
        "/": () => {
          from.current = whatOpened();
          setText("");
          field.current?.focus();
        },
      }),
      [],
    ),
  );
  useEffect(() => {
    if (text === value) return;
    const timer = window.setTimeout(() => onSearch(text), SEARCH_AFTER_MS);
    return () => window.clearTimeout(timer);
  }, [text, value, onSearch]);
  return (
    <label className="relative block">
      <span className="sr-only">{label}</span>
      <Search size={16} className="absolute top-2.5 left-2 text-faded" aria-hidden />
      <input
        ref={field}
        type="search"
        placeholder={label}
        className="w-64 rounded border border-faded bg-sheet py-1.5 pr-2 pl-8"
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Escape") goBackTo(from.current);
        }}
      />
    </label>
  );
}
