"use client";
import { memo, useEffect } from "react";
import { giveReason } from "@/features/visit/actions";
import { useTabletState } from "@/features/tablet/TabletProvider";
import { readWords, useDraft } from "@/features/tablet/useDraft";

/** Where a reason waits that was written while no server was in reach. */
export const reasonDraft = (visitId: string) => `reason ${visitId}`;

/** Sends a reason that was written without a server, once there is one again. Draws nothing. */
export const LateReason = memo(function LateReason({ visitId }: { visitId: string }) {
  const reach = useTabletState((state) => state.reach);
  const { earlier, drop } = useDraft(reasonDraft(visitId), readWords);
  const words = earlier?.document ?? "";
  useEffect(() => {
    if (words === "" || reach !== "safe") return;
    void giveReason({ visitId, reason: words })
      .then((result) => (result.ok ? drop() : undefined))
      .catch(() => undefined);
  }, [visitId, words, reach, drop]);
  return null;
});
