/** What a word of the trade means, at a touch. */
import { t } from "../app/words";
import { Popover } from "radix-ui";
import type { ReactNode } from "react";

export function Hint({ about, children }: { about: string; children: ReactNode }) {
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label={t("parts.whatIsAbout", { about })}
        className="ml-1 inline-flex size-[24px] items-center justify-center rounded-full border border-rule text-xs text-hill hover:bg-linen"
      >
        ?
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={4}
          className="z-50 max-w-72 rounded border border-rule bg-sheet p-3 text-sm leading-snug text-ink shadow-lg"
        >
          {children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
