/** The head of the page, into which a page may put what is always at hand there. */
import { createContext, useContext } from "react";

export const HeadSlot = createContext<HTMLElement | null>(null);

export function useHeadSlot(): HTMLElement | null {
  return useContext(HeadSlot);
}
