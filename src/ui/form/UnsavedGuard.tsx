"use client";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { Button } from "../Button";
import { Dialog } from "../Dialog";

/** Asks before a page with something typed that is not kept is left: by a link, by a reload, by closing it. */
export function UnsavedGuard({ when }: { when: boolean }) {
  const router = useRouter();
  const [goesTo, setGoesTo] = useState<string | null>(null);
  useEffect(() => {
    if (!when) return;
    const leave = (event: BeforeUnloadEvent) => event.preventDefault();
    const follow = (event: MouseEvent) => {
      const link = event.target instanceof Element ? event.target.closest("a[href]") : null;
      const isPlain = event.button === 0 && !event.ctrlKey && !event.metaKey && !event.shiftKey;
      if (!(link instanceof HTMLAnchorElement) || !isPlain || link.target === "_blank" || link.origin !== location.origin) return;
      if (link.pathname === location.pathname && link.hash) return;
      event.preventDefault();
      event.stopPropagation();
      setGoesTo(link.pathname + link.search + link.hash);
    };
    window.addEventListener("beforeunload", leave);
    document.addEventListener("click", follow, true);
    return () => {
      window.removeEventListener("beforeunload", leave);
      document.removeEventListener("click", follow, true);
    };
  }, [when]);
  return (
    <Dialog open={goesTo !== null} onOpenChange={(open) => !open && setGoesTo(null)} title="What you typed is not kept">
      <p className="text-ink-2">Go back to it to keep it, or leave it behind.</p>
      <div className="mt-5 flex flex-wrap gap-3">
        <Button onClick={() => setGoesTo(null)}>Go on with it</Button>
        <Button tone="plain" onClick={() => goesTo && router.push(goesTo as never)}>
          Leave it
        </Button>
      </div>
    </Dialog>
  );
}
