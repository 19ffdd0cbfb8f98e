/** Equal school: n zones of the same width. `equalEdges(4)` → 0, ¼, ½, ¾, 1 */
export function equalEdges(zones: number): number[] {
  return Array.from({ length: zones + 1 }, (_, i) => i / zones);
}
