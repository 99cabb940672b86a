import { t } from "../app/words";
import { X } from "lucide-react";
import { Dialog } from "radix-ui";
import { type ReactNode, useRef } from "react";
import { goBackTo, whatOpened } from "./focus";

/** A dialog over the page. */
export function Modal({
  open,
  onOpenChange,
  title,
  children,
  wide = false,
  wider = false,
  fixed = false,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  title: string;
  children: ReactNode;
  wide?: boolean;
  wider?: boolean;
  /** It cannot be closed but by what stands in it. */
  fixed?: boolean;
}) {
  const opener = useRef<HTMLElement | null>(null);
  const most = wider ? "max-w-6xl" : wide ? "max-w-3xl" : "max-w-lg";
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          onOpenAutoFocus={(event) => {
            opener.current = whatOpened();
            // where one types, or else nowhere that a space would press
            const dialog = event.currentTarget as HTMLElement;
            const first = dialog.querySelector<HTMLElement>("input, textarea") ?? dialog;
            event.preventDefault();
            // what stands above the first field is seen first, on a small screen too
            first.focus({ preventScroll: true });
          }}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            goBackTo(opener.current);
          }}
          tabIndex={-1}
          className={`fixed top-1/2 left-1/2 max-h-[90vh] w-[92vw] -translate-x-1/2 -translate-y-1/2 overflow-y-auto rounded-lg border border-rule bg-chalk p-6 text-ink ${most}`}
        >
          <div className="mb-4 flex items-start justify-between gap-4">
            <Dialog.Title className="text-xl font-semibold">{title}</Dialog.Title>
            {!fixed && (
              <Dialog.Close
                aria-label={t("parts.close")}
                className="rounded p-1 text-hill hover:bg-linen"
              >
                <X size={18} />
              </Dialog.Close>
            )}
          </div>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
