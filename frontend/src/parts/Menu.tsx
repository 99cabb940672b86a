import { DropdownMenu } from "radix-ui";
import type { ReactNode } from "react";

const BUTTON =
  "inline-flex items-center gap-1 rounded border border-hill px-2.5 py-1 font-medium text-hill hover:bg-linen";
const ICON = "flex size-8 items-center justify-center rounded text-hill hover:bg-chalk";

interface MenuProps {
  label: string;
  children: ReactNode;
}

/** A menu that opens from a button. */
export function Menu({ trigger, label, children }: MenuProps & { trigger: ReactNode }) {
  return (
    <Opening trigger={trigger} label={label} look={BUTTON}>
      {children}
    </Opening>
  );
}

/** A menu that opens from an icon. */
export function IconMenu({ icon, label, children }: MenuProps & { icon: ReactNode }) {
  return (
    <Opening trigger={icon} label={label} look={ICON}>
      {children}
    </Opening>
  );
}

function Opening({
  trigger,
  label,
  look,
  children,
}: MenuProps & { trigger: ReactNode; look: string }) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger aria-label={label} className={look}>
        {trigger}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={4}
          className="z-20 min-w-52 rounded border border-rule bg-sheet p-1 text-ink shadow-lg"
        >
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

const ITEM =
  "block w-full cursor-pointer rounded px-3 py-1.5 text-left outline-none data-[highlighted]:bg-linen";

export function MenuAction({ onSelect, children }: { onSelect: () => void; children: ReactNode }) {
  return (
    <DropdownMenu.Item className={ITEM} onSelect={onSelect}>
      {children}
    </DropdownMenu.Item>
  );
}

export function MenuLink({
  href,
  newTab = false,
  children,
}: {
  href: string;
  newTab?: boolean;
  children: ReactNode;
}) {
  return (
    <DropdownMenu.Item asChild>
      <a className={ITEM} href={href} {...(newTab ? { target: "_blank", rel: "noreferrer" } : {})}>
        {children}
      </a>
    </DropdownMenu.Item>
  );
}
