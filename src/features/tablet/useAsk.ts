"use client";
import { useCallback } from "react";
import { toast } from "@/ui/toast";
import type { ActionResult } from "@/server/actionResult";
import type { Command } from "./command";
import type { Asked } from "./commands";
import { useCommands } from "./TabletProvider";

/**
 * Asks the server by an action for what may wait where there is no answer, and says so where it waits.
 * `const asked = await ask({ kind: "saveSurvey", about: `survey ${clientId}`, … }, saveSurvey)`
 */
export function useAsk() {
  const commands = useCommands();
  return useCallback(
    async <T>(what: Omit<Command, "id" | "askedAtMs">, send: (input: unknown) => Promise<ActionResult<T>>): Promise<Asked<T>> => {
      const asked = await commands.ask(what, send);
      const then = asked.waits && asked.signedOut ? "when you have signed in again" : "when the server is back";
      if (asked.waits) toast.good(`${what.words} is kept on this tablet. It is sent ${then}.`);
      return asked;
    },
    [commands],
  );
}
