import type { z } from "zod";
import type { VisitState } from "../parts";

/** An event as a fold sees it: which, when (ms since 1970), and what it says. */
export type Happened<Payload> = { readonly id: string; readonly atMs: number; readonly payload: Payload };

/** Typed as a method, so that kinds of different payloads fit one registry. */
type Fold<Part, Payload> = { fold(part: Part, event: Happened<Payload>): Part }["fold"];
type Folds<Payload> = { readonly [Part in keyof VisitState]?: Fold<VisitState[Part], Payload> };

/** Everything there is to say of one kind of event. A new kind is a file with one of these and a line in the registry. */
export type EventKind<Schema extends z.ZodType = z.ZodType> = {
  /** Counts up when the payload changes its shape. What was written by an older one is kept as it was written. */
  readonly version: number;
  /** The payload of this version. No words of a person: ids, measures and choices only. */
  readonly payload: Schema;
  /** Brings an older payload up to this version. Needed from version 2 on. */
  upgrade?(payload: unknown, from: number): unknown;
  /** What it does to each part of the visit it concerns. Events come in the order they happened. */
  readonly fold: Folds<z.output<Schema>>;
  /** Made by the server alone: never taken as a tap. */
  readonly byServer?: true;
  /**
   * What an undo does: unmakes it (unsaid); unmakes it, but the pedal does not offer it; nothing, for it is taken back only by
   * an event of its own; nothing any more once an event of the named kind stands.
   */
  readonly undo?: "notByPedal" | "never" | { readonly until: string };
};

export const eventKind = <Schema extends z.ZodType>(kind: EventKind<Schema>): EventKind<Schema> => kind;
