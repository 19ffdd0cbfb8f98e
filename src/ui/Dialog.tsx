"use client";
import { X } from "lucide-react";
import { Dialog as Radix } from "radix-ui";
import { useRef, type ReactNode } from "react";
import { cx } from "./cx";
import { useKeysOfSheet } from "./keys";

const FIELDS = "input:not([type=hidden]):not(:disabled), select:not(:disabled), textarea:not(:disabled)";

/** A sheet over the page. Its first field has the focus, where it has one; what opened it has it again once it is closed. */
export function Dialog({
  open,
  onOpenChange,
  title,
  children,
  wide,
  full,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  title: string;
  children: ReactNode;
  wide?: boolean;
  /** The whole screen. */
  full?: boolean;
}) {
  useKeysOfSheet(open);
  const opener = useRef<HTMLElement | null>(null);
  const focusFirst = (event: Event) => {
    opener.current = document.activeElement as HTMLElement | null;
    const field = (event.currentTarget as HTMLElement | null)?.querySelector<HTMLElement>(FIELDS);
    if (!field) return;
    event.preventDefault();
    field.focus();
  };
  const giveBack = (event: Event) => {
    event.preventDefault();
    if (opener.current?.isConnected) opener.current.focus();
  };
  return (
    <Radix.Root open={open} onOpenChange={onOpenChange}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-[rgb(10_20_15/0.45)]" />
        <Radix.Content
          aria-describedby={undefined}
          onOpenAutoFocus={focusFirst}
          onCloseAutoFocus={giveBack}
          className={cx(
            "fixed z-50 overflow-y-auto bg-paper p-6",
            full ? "inset-0" : "top-[8vh] left-1/2 max-h-[84vh] -translate-x-1/2 rounded-lg border border-line",
            full ? "" : wide ? "w-[min(94vw,60rem)]" : "w-[min(94vw,36rem)]",
          )}
        >
          <div className="mb-4 flex items-start justify-between gap-4">
            <Radix.Title className="font-serif text-2xl">{title}</Radix.Title>
            <Radix.Close className="rounded-full p-1.5 text-ink-2 hover:bg-moss-soft" aria-label="Close">
              <X size={20} aria-hidden="true" />
            </Radix.Close>
          </div>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
