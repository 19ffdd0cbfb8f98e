import { useCallback } from "react";
import type { Fibre } from "@/core/lash";
import { fibreCurl, type MapFacts } from "@/core/map";

/** How a studio's fibres curl, the same function as long as trays and policy are. */
export function useCurls({ trays, policy }: Pick<MapFacts, "trays" | "policy">) {
  return useCallback((fibre: Fibre) => fibreCurl(fibre, trays, policy), [trays, policy]);
}
