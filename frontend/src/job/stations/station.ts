/** What a station is on screen. A new one is a folder with such a record, and a line in `index.ts`. */
import type { ComponentType, ReactNode } from "react";
import type { Plan } from "../../api/client";

export interface AtStation {
  /** The signature shown, from 1. */
  section: number;
  onSection: (section: number) => void;
  /** Whether grain is drawn. */
  grain: boolean;
}

export interface StationRecord {
  /** What is decided here. */
  Inputs?: ComponentType<AtStation>;
  /** What there is to see. */
  Views: ComponentType<AtStation>;
  /** What stands beside it; around the reckoning, where it shows that. Without, the reckoning alone. */
  Aside?: ComponentType<Pick<AtStation, "onSection"> & { plan: Plan; reckoning: ReactNode }>;
}
