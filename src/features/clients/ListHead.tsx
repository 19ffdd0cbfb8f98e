"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useEffect, useState, useTransition, type ReactNode } from "react";
import { Button, LinkButton, TextField } from "@/ui";
import { cx } from "@/ui/cx";
import type { Shown } from "./list";
import { listAddress } from "./listAddress";

const WAIT_MS = 200;
const FILTERS: readonly { readonly show: Shown; readonly label: string }[] = [
  { show: "all", label: "All" },
  { show: "due", label: "Due" },
  { show: "longNotHere", label: "Long not here" },
  { show: "archived", label: "Archived" },
];

/** What the list is asked for: it follows what is typed and which filter is chosen; without a script it is a form and links like any other. */
export function ListHead({ find, show, total, count }: { find: string; show: Shown; total: number; count: ReactNode }) {
  const router = useRouter();
  const [text, setText] = useState(find);
  const [busy, begin] = useTransition();
  /** What the list was asked for last, here or by the address: what is typed while a filter is under way is for that filter. */
  const [asked, setAsked] = useState({ find, show });
  // Back, or a link: the address is right, unless it is only late with what was asked here.
  if ((find !== asked.find || show !== asked.show) && !busy) {
    setAsked({ find, show });
    if (find !== asked.find) setText(find);
  }
  const wanted = text.trim();
  useEffect(() => {
    if (wanted === asked.find) return;
    const soon = setTimeout(() => {
      begin(() => {
        setAsked({ find: wanted, show: asked.show });
        router.replace(listAddress({ find: wanted, show: asked.show, page: 1 }), { scroll: false });
      });
    }, WAIT_MS);
    return () => clearTimeout(soon);
  }, [wanted, asked, router]);
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-4 pt-6 pb-4">
        <h1 className="text-4xl">Clients</h1>
        <div className="flex flex-wrap items-end gap-3">
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
          </form>
          <LinkButton href="/clients/new">New client</LinkButton>
        </div>
      </div>
      <div className="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1 border-b border-line-strong">
        <nav aria-label="Which clients" className="-mx-2 flex flex-wrap">
          {FILTERS.map((one) => (
            <Link
              key={one.show}
              href={listAddress({ find: wanted, show: one.show, page: 1 })}
              onClick={(event) => {
                if (event.metaKey || event.ctrlKey || event.shiftKey) return;
                event.preventDefault();
                begin(() => {
                  setAsked({ find: wanted, show: one.show });
                  router.push(listAddress({ find: wanted, show: one.show, page: 1 }));
                });
              }}
              aria-current={one.show === show ? "page" : undefined}
              className={cx(
                "-mb-px min-h-9 border-b-2 px-2 py-1.5 text-[0.9375rem]",
                one.show === show ? "border-ivy font-semibold" : "border-transparent text-ink-2 hover:text-ink",
              )}
            >
              {one.label}
            </Link>
          ))}
        </nav>
        <p className="text-sm text-ink-2">{count}</p>
        <span role="status" className="sr-only">
          {busy ? "Searching" : `${total} found`}
        </span>
      </div>
    </>
  );
}
