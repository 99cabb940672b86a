/** A few things in one place, one shown at a time. */
import { Tabs } from "radix-ui";
import { type ReactNode, useState } from "react";

export interface Tab {
  id: string;
  title: string;
  content: ReactNode;
}

export const TAB =
  "rounded-t border border-b-0 border-rule px-3 py-1 text-hill data-[state=active]:bg-sheet data-[state=active]:font-semibold";
const QUIET =
  "rounded px-2 py-0.5 text-sm text-hill hover:bg-linen data-[state=active]:bg-hill data-[state=active]:text-on-hill";

/** Tabs over a drawing; with a single one, no tabs at all. `quiet` is for groups of fields. */
export function Tabbed({
  label,
  tabs,
  quiet = false,
}: {
  label: string;
  tabs: readonly Tab[];
  quiet?: boolean;
}) {
  const [chosen, setChosen] = useState(tabs[0]?.id ?? "");
  const shown = tabs.some((tab) => tab.id === chosen) ? chosen : (tabs[0]?.id ?? "");
  if (tabs.length === 1) return tabs[0]?.content;
  return (
    <Tabs.Root
      value={shown}
      onValueChange={setChosen}
      className={quiet ? "w-full" : "flex min-h-0 flex-1 flex-col"}
    >
      <Tabs.List
        aria-label={label}
        className={
          quiet ? "mb-1.5 flex flex-wrap gap-1" : "flex gap-1 overflow-x-auto border-b border-rule"
        }
      >
        {tabs.map((tab) => (
          <Tabs.Trigger key={tab.id} value={tab.id} className={quiet ? QUIET : TAB}>
            {tab.title}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      {tabs.map((tab) => (
        <Tabs.Content
          key={tab.id}
          value={tab.id}
          tabIndex={-1}
          className={
            quiet
              ? "flex flex-wrap gap-x-6 gap-y-2"
              : "flex min-h-0 flex-1 flex-col pt-1 data-[state=inactive]:hidden"
          }
        >
          {tab.content}
        </Tabs.Content>
      ))}
    </Tabs.Root>
  );
}
