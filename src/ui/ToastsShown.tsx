"use client";
import { useEffect } from "react";
import { toast, Toaster } from "sonner";
import { cx } from "./cx";
import { onToast, takeToasts } from "./toast";

const BOX =
  "flex w-full items-start font-sans gap-3 rounded-md border-l-4 bg-leaf px-4 py-3 text-[0.9375rem] text-ink shadow-[0_2px_14px_rgb(10_20_15/0.25)]";

export function ToastsShown() {
  useEffect(
    () =>
      onToast(() => {
        for (const { tone, words, act } of takeToasts())
          if (tone === "good")
            toast(words, act ? { duration: 12_000, action: { label: act.label, onClick: act.run } } : { duration: 6000 });
          else toast.error(words, { duration: Infinity, closeButton: true });
      }),
    [],
  );
  return (
    <Toaster
      position="bottom-right"
      hotkey={[]}
      containerAriaLabel="What became of it"
      icons={{
        error: (
          <span aria-hidden="true" className="text-rosehip">
            ■
          </span>
        ),
        close: <span aria-hidden="true">Close</span>,
      }}
      toastOptions={{
        unstyled: true,
        classNames: {
          default: cx(BOX, "border-ivy"),
          error: cx(BOX, "border-rosehip"),
          content: "min-w-0 grow",
          actionButton: "order-last shrink-0 cursor-pointer font-medium text-ivy underline underline-offset-4",
          closeButton: "order-last shrink-0 font-medium text-ivy underline underline-offset-4",
        },
      }}
    />
  );
}
