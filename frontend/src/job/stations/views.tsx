/** Drawings of a station a few at a time, under tabs, each to be taken at true size. */
import { t, type WordKey } from "../../app/words";
import type { ReactNode } from "react";
import type { Station } from "../../api/client";
import { Tabbed } from "../../parts/Tabbed";
import { useSnapshot } from "../context";
import { Drawings } from "../Drawings";
import type { StationRecord } from "./station";

export interface View {
  title: WordKey;
  ids: readonly string[];
  /** Shown in place of drawings. */
  instead?: ReactNode;
}

/** All drawings of a station at once. */
export function drawingsOf(station: Station): StationRecord["Views"] {
  return function StationDrawings({ grain }) {
    return <Drawings station={station} grain={grain} />;
  };
}

/** Under a tab each, those there are for this book. */
export function viewsOf(station: Station, every: readonly View[]): StationRecord["Views"] {
  return function StationViews({ grain }) {
    const { plan } = useSnapshot();
    const here = new Set((plan?.drawings ?? []).map((drawing) => drawing.id));
    const views = every.filter((view) => view.ids.some((id) => here.has(id)));
    if (!plan || views.length === 0) return <Drawings station={station} grain={grain} />;
    return (
      <Tabbed
        label={t("job.views")}
        tabs={views.map((view) => ({
          id: view.title,
          title: t(view.title),
          content: view.instead ?? <Drawings ids={view.ids} grain={grain} beside />,
        }))}
      />
    );
  };
}
