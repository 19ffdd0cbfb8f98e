import { lashMapSchema, upgradeLashMap, type LashMap } from "@/core/map";

/** A map kept on the tablet, of whatever version; null where it is none. */
export function readDraft(document: unknown): LashMap | null {
  const read = lashMapSchema.safeParse(upgradeLashMap(document));
  return read.success ? read.data : null;
}
