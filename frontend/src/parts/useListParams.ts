/** What a list is asked for, kept in the address so that it can be gone back to. */
import { useSearchParams } from "react-router";

export function useListParams() {
  const [params, setParams] = useSearchParams();

  /** Changes some of it; anything but the page begins at the first page again. */
  function show(change: Record<string, string>) {
    const next = new URLSearchParams(params);
    if (!("page" in change)) next.delete("page");
    for (const [key, value] of Object.entries(change)) {
      if (value) next.set(key, value);
      else next.delete(key);
    }
    setParams(next, { replace: true });
  }

  return { params, show, showAll: () => setParams({}) };
}
