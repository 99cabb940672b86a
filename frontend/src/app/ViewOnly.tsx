import type { ReactNode } from "react";
import { useReader } from "./person";

/** What readers see as it stands, without fields to change it by. */
export function ViewOnly({ children }: { children: ReactNode }) {
  return useReader() ? (
    <fieldset disabled className="view-only contents">
      {children}
    </fieldset>
  ) : (
    children
  );
}

/** What only those see who may change something. */
export function ForBinders({ children }: { children: ReactNode }) {
  return useReader() ? null : children;
}
