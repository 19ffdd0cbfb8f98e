"use client";
import { useRouter } from "next/navigation";
import { useEffect, useState, useTransition } from "react";
import { Button, TextField } from "@/ui";
import type { Shown } from "./list";
import { listAddress } from "./listAddress";

const WAIT_MS = 200;

/** The list follows what is typed; without a script it is a form like any other. */
export function ClientSearch({ find, show, total }: { find: string; show: Shown; total: number }) {
  const router = useRouter();
  const [text, setText] = useState(find);
  const [busy, begin] = useTransition();
  /** What the list was asked for last, here or by the address. */
  const [asked, setAsked] = useState(find);
  // Back, or a link: the address is right, unless it is only late with what was typed here.
  if (find !== asked && !busy) {
    setAsked(find);
    setText(find);
  }
  const wanted = text.trim();
  useEffect(() => {
    if (wanted === asked) return;
    const soon = setTimeout(() => {
      begin(() => {
        setAsked(wanted);
        router.replace(listAddress({ find: wanted, show, page: 1 }), { scroll: false });
      });
    }, WAIT_MS);
    return () => clearTimeout(soon);
  }, [wanted, asked, show, router]);
  return (
    <form role="search" className="flex items-end gap-2">
      {show === "all" ? null : <input type="hidden" name="show" value={show} />}
      <TextField
        label="Name, number, address or note"
        name="find"
        type="search"
        autoComplete="off"
        maxLength={120}
        value={text}
        onChange={({ target }) => setText(target.value)}
        className="sm:w-72"
      />
      <noscript>
        <Button type="submit" tone="line">
          Find
        </Button>
      </noscript>
      <span role="status" className="sr-only">
        {busy ? "Searching" : `${total} found`}
      </span>
    </form>
  );
}
