import { MICRO, ROUGHNESS_WEIGHT, type LineLimits, type ZoneChoices } from "@/core/map";

/**
 * The planner's problem as a mixed-integer program in CPLEX LP text, for a general solver: one binary per zone and
 * stocked length, one continuous variable per bend. The same objective as planLine, written a second time.
 */
export function lineAsProgram(zones: readonly ZoneChoices[], limits: LineLimits): string {
  const z = (i: number, k: number) => `z${i}_${k}`;
  const x = (i: number, sign: number) =>
    zones[i]!.map(({ lengthMm }, k) => `${sign * lengthMm < 0 ? "-" : "+"} ${Math.abs(sign * lengthMm)} ${z(i, k)}`).join(" ");
  const worn = (i: number) => i >= 0 && i < zones.length && zones[i]!.length > 0;
  const cost: string[] = [];
  const rows: string[] = [];
  zones.forEach((zone, i) => {
    if (!worn(i)) return;
    zone.forEach((choice, k) => cost.push(`+ ${choice.distance / MICRO} ${z(i, k)}`));
    rows.push(`${zone.map((_, k) => `+ ${z(i, k)}`).join(" ")} = 1`);
    if (worn(i - 1)) {
      if (Number.isFinite(limits.stepMm)) {
        rows.push(`${x(i, 1)} ${x(i - 1, -1)} <= ${limits.stepMm}`);
        rows.push(`${x(i - 1, 1)} ${x(i, -1)} <= ${limits.stepMm}`);
      }
      if (i === zones.length - 1 && Number.isFinite(limits.outerDropMm)) rows.push(`${x(i - 1, 1)} ${x(i, -1)} >= ${limits.outerDropMm}`);
    }
    if (worn(i - 1) && worn(i + 1)) {
      cost.push(`+ ${ROUGHNESS_WEIGHT} t${i}`);
      rows.push(`t${i} ${x(i - 1, -1)} ${x(i, 2)} ${x(i + 1, -1)} >= 0`);
      rows.push(`t${i} ${x(i - 1, 1)} ${x(i, -2)} ${x(i + 1, 1)} >= 0`);
    }
  });
  const binaries = zones.flatMap((zone, i) => zone.map((_, k) => z(i, k))).join(" ");
  return `Minimize\n obj: ${cost.join(" ")}\nSubject To\n${rows.map((row, i) => ` c${i}: ${row}`).join("\n")}\nBinary\n ${binaries}\nEnd\n`;
}
