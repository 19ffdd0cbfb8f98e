"use client";
import dynamic from "next/dynamic";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";

const LeaveSheet = dynamic(() => import("./LeaveSheet").then((module) => module.LeaveSheet));

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
  return goesTo === null ? null : <LeaveSheet onStay={() => setGoesTo(null)} onLeave={() => router.push(goesTo as never)} />;
}
