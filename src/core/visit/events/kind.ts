import type { z } from "zod";
import type { VisitState } from "../parts";

/** An event as a fold sees it: which, when (ms since 1970), and what it says. */
export type Happened<Payload> = { readonly id: string; readonly atMs: number; readonly payload: Payload };

/** Typed as a method, so that kinds of different payloads fit one registry. */
type Fold<Part, Payload> = { fold(part: Part, event: Happened<Payload>): Part }["fold"];
type Folds<Payload> = { readonly [Part in keyof VisitState]?: Fold<VisitState[Part], Payload> };

/** What a payload schema gives. */
export type Payload<Schema extends () => z.ZodType> = z.output<ReturnType<Schema>>;

/**
 * Everything there is to say of one kind of event. What its payload looks like stands in a file of the same name in
 * `payload/`, so that a page which only folds does not load the schemas and their library. A new kind is these two files and
 * a line in each registry (`index.ts`, `payloads.ts`); the compiler says where one is missing.
 */
export type EventKind<Says = unknown> = {
  /** Counts up when the payload changes its shape. What was written by an older one is kept as it was written. */
  readonly version: number;
  /** Brings an older payload up to this version. Needed from version 2 on. */
  upgrade?(payload: Readonly<Record<string, unknown>>, from: number): unknown;
  /** What it does to each part of the visit it concerns. Events come in the order they happened. */
  readonly fold: Folds<Says>;
  /** Made by the server alone: never taken as a tap. */
  readonly byServer?: true;
  /**
   * What an undo does: unmakes it (unsaid); unmakes it, but the pedal does not offer it; nothing, for it is taken back only by
   * an event of its own; nothing any more once an event of the named kind stands.
   */
  readonly undo?: "notByPedal" | "never" | { readonly until: string };
};

export const eventKind = <Says>(kind: EventKind<Says>): EventKind<Says> => kind;
