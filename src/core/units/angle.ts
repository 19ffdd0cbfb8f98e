/** Degrees to radians. `degToRad(180)` → π */
export function degToRad(deg: number): number {
  return (deg * Math.PI) / 180;
}

/** Radians to degrees. `radToDeg(Math.PI)` → 180 */
export function radToDeg(rad: number): number {
  return (rad * 180) / Math.PI;
}
