import { z } from "zod";
import type { DocumentKind } from "../document";
import { SIDES } from "../eye/sides";
import { SLEPT_ON, type FillWork } from "../fill";
import type { VisitState } from "../visit";

/** What a fill found of the set before, and what the client told of the days between. */
const fillFoundSchema = z.object({
  /** When it was counted, ms since 1970; null where nothing was. */
  countedAtMs: z.number().nullable(),
  zones: z.array(
    z.object({
      setVisitId: z.string().nullable(),
      side: z.enum(SIDES),
      layer: z.int(),
      zone: z.int().min(1),
      from: z.number(),
      to: z.number(),
      left: z.int().min(0),
    }),
  ),
  since: z.object({
    washesAWeek: z.number().nullable(),
    oil: z.boolean().nullable(),
    steam: z.boolean().nullable(),
    cried: z.boolean().nullable(),
    sleepsOn: z.enum(SLEPT_ON).nullable(),
  }),
  /** Extensions taken off, and of those how many hurt the lash. */
  off: z.int().min(0),
  hurt: z.int().min(0),
});
export type FillFound = z.infer<typeof fillFoundSchema>;
export const fillFoundDocument: DocumentKind<FillFound> = {
  name: "what a fill found",
  version: 1,
  schema: fillFoundSchema,
  versionBeside: true,
};

/** Reads it from what was tapped; null where nothing was. */
export function fillFound({ fill }: Pick<VisitState, "fill">): FillFound | null {
  const { counted, off, since }: FillWork = fill;
  if (counted.length === 0 && off.length === 0 && Object.values(since).every((answer) => answer === null)) return null;
  const sum = (of: FillWork["off"]) => of.reduce((total, { n }) => total + n, 0);
  return {
    countedAtMs: counted.length === 0 ? null : Math.min(...counted.map(({ atMs }) => atMs)),
    zones: counted.map(({ setVisitId, side, layer, zone, from, to, left }) => ({ setVisitId, side, layer, zone, from, to, left })),
    since,
    off: sum(off),
    hurt: sum(off.filter(({ hurt }) => hurt)),
  };
}
