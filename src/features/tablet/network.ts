import type { Tap } from "@/core/visit";
import { isList, isNumber, isText, mayField, readField } from "@/core/document/readField";
import { readRunning, type RunningAnswer } from "./runningVisit";

/** What became of taps that were sent: kept with the server's time and number, or refused with why. */
export type Sent = {
  readonly kept: readonly { readonly id: string; readonly serverTime: string; readonly seq: number }[];
  readonly refused: readonly { readonly id: string | null; readonly why: string }[];
  readonly message?: string | null;
};

function readSent(answer: unknown): Sent {
  return {
    kept: (mayField(answer, "kept", isList) ?? []).map((row) => ({
      id: readField(row, "id", isText),
      serverTime: readField(row, "serverTime", isText),
      seq: readField(row, "seq", isNumber),
    })),
    refused: (mayField(answer, "refused", isList) ?? []).map((row) => ({
      id: mayField(row, "id", isText),
      why: readField(row, "why", isText),
    })),
    message: mayField(answer, "message", isText),
  };
}

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
  serverTime: async () => readField(await ask("/api/time"), "serverMs", isNumber),
  running: async (known) => {
    const since = new URLSearchParams(known.map(({ visitId, seq }) => ["since", `${visitId}.${seq}`]));
    return readRunning(await ask(`/api/visits/running?${since}`));
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
    return readSent(await response.json());
  },
};

async function ask(url: string): Promise<unknown> {
  const response = await fetch(url, { cache: "no-store" });
  if (response.status === 401) throw new SignedOut();
  if (!response.ok) throw new Error(String(response.status));
  return response.json();
}
