/** A figure as typed, with a point or a comma; undefined where it is none. `readNumber("0,98")` → 0.98 */
export const readNumber = (text: string): number | undefined =>
  /^\s*-?(\d+([.,]\d*)?|[.,]\d+)\s*$/.test(text) ? Number(text.trim().replace(",", ".")) : undefined;
