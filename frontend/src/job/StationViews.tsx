/** What there is to see at a station: its drawings, a few at a time, each to be taken at true size. */
import type { ReactNode } from "react";
import { Tabbed } from "../parts/Tabbed";
import type { Station } from "../api/client";
import { useSnapshot } from "./context";
import { PrintedCover } from "./cover/PrintedCover";
import { Drawings } from "./Drawings";
import { SewingFilm } from "./sewing/SewingFilm";

interface View {
  title: string;
  ids: readonly string[];
  /** Shown in place of drawings. */
  instead?: ReactNode;
}

const VIEWS: Partial<Record<Station, readonly View[]>> = {
  sewing: [
    { title: "Step by step", ids: ["sewing.strip"], instead: <SewingFilm /> },
    { title: "Punching strip", ids: ["sewing.strip"] },
    { title: "Guide for the spine", ids: ["sewing.saw_guide"] },
  ],
  block: [
    { title: "Section and front", ids: ["block.tail", "block.front"] },
    { title: "Marks on the spine", ids: ["block.spine"] },
  ],
  boards: [
    { title: "Flat and closed", ids: ["case.flat", "case.section"] },
    { title: "On the block", ids: ["case.closed"] },
    { title: "Corner", ids: ["case.corner"] },
    { title: "Spacer strip", ids: ["case.spacer"] },
    { title: "Printed cover", ids: ["cover.art"], instead: <PrintedCover /> },
  ],
  finish: [
    { title: "The spine", ids: ["finish.spine"] },
    { title: "Lettering proof", ids: ["finish.proof"] },
  ],
};

export function StationViews({ station, grain }: { station: Station; grain: boolean }) {
  const { plan } = useSnapshot();
  const here = new Set((plan?.drawings ?? []).map((drawing) => drawing.id));
  const views = (VIEWS[station] ?? []).filter((view) => view.ids.some((id) => here.has(id)));
  if (!plan || views.length === 0) return <Drawings station={station} grain={grain} />;
  return (
    <Tabbed
      label="Views"
      tabs={views.map((view) => ({
        id: view.title.replaceAll(" ", "-"),
        title: view.title,
        content: view.instead ?? <Drawings ids={view.ids} grain={grain} beside />,
      }))}
    />
  );
}
