import { z } from "zod";
import type { Tap } from "@/core/visit";
import { runningAnswerSchema, type RunningAnswer } from "./runningVisit";

const timeSchema = z.object({ serverMs: z.number() });
const sentSchema = z.object({
  kept: z.array(z.object({ id: z.string(), serverTime: z.string(), seq: z.number().int() })).default([]),
  refused: z.array(z.object({ id: z.string().nullable(), why: z.string() })).default([]),
  message: z.string().optional(),
});
export type Sent = z.infer<typeof sentSchema>;

/** Signed out, here or elsewhere: nothing is taken until somebody signs in. */
export class SignedOut extends Error {}

/** How far each visit is known here: its id, and the number up to which no event is missing. */
export type Known = readonly { readonly visitId: string; readonly seq: number }[];

/** The server as the tablet asks it. Every method rejects where it is out of reach, with `SignedOut` where nobody is signed in. */
export type Network = {
  serverTime(): Promise<number>;
  running(known: Known): Promise<RunningAnswer>;
  send(taps: readonly Tap[]): Promise<Sent>;
};

/** The studio's own server, by HTTP. What it answers is parsed, never believed. */
export const studioNetwork: Network = {
  serverTime: async () => timeSchema.parse(await ask("/api/time")).serverMs,
  running: async (known) => {
    const since = new URLSearchParams(known.map(({ visitId, seq }) => ["since", `${visitId}.${seq}`]));
    return runningAnswerSchema.parse(await ask(`/api/visits/running?${since}`));
  },
  send: async (taps) => {
    const response = await fetch("/api/visits/events", {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ events: taps }),
    });
    if (response.status === 401) throw new SignedOut();
    // What is busy or broken is tried again; what it will never have, it says so of.
    if (response.status >= 500 || response.status === 429) throw new Error(String(response.status));
    return sentSchema.parse(await response.json());
  },
};

async function ask(url: string): Promise<unknown> {
  const response = await fetch(url, { cache: "no-store" });
  if (response.status === 401) throw new SignedOut();
  if (!response.ok) throw new Error(String(response.status));
  return response.json();
}
