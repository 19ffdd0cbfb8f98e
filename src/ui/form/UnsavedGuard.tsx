"use client";
import dynamic from "next/dynamic";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";

const LeaveSheet = dynamic(() => import("./LeaveSheet").then((module) => module.LeaveSheet));

/**
 * Asks before a page with something typed that is not kept is left: by a link, by a reload, by closing it. Where it can be
 * saved from here (`onSave`, true when it was), that is offered; a reload is then left to whoever keeps the draft.
 */
export function UnsavedGuard({ when, onSave }: { when: boolean; onSave?: () => Promise<boolean> }) {
  const router = useRouter();
  const [goesTo, setGoesTo] = useState<string | null>(null);
  const saves = onSave !== undefined;
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
    if (!saves) window.addEventListener("beforeunload", leave);
    document.addEventListener("click", follow, true);
    return () => {
      window.removeEventListener("beforeunload", leave);
      document.removeEventListener("click", follow, true);
    };
  }, [when, saves]);
  if (goesTo === null) return null;
  const leave = () => {
    setGoesTo(null);
    router.push(goesTo as never);
  };
  const saveAndLeave = async () => {
    if (await onSave?.()) leave();
    else setGoesTo(null);
  };
  return <LeaveSheet onStay={() => setGoesTo(null)} onLeave={leave} {...(onSave ? { onSave: () => void saveAndLeave() } : {})} />;
}
