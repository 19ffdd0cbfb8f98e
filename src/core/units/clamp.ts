/** Holds a value within low..high. `clamp(7, 0, 5)` → 5 */
export function clamp(value: number, low: number, high: number): number {
  return Math.min(high, Math.max(low, value));
}
