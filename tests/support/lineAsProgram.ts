import { LONG_END_MM, MICRO, ROUGHNESS_WEIGHT, TEXTURE_MM, TEXTURE_WEIGHT, type LineLimits, type LineZone } from "@/core/map";

/** What a line gives up, in the order in which it does: the first last of all. */
export const GIVEN_UP = ["drop", "corner", "step", "accent", "dip"] as const;
export type GivenUpAmounts = Readonly<Partial<Record<(typeof GIVEN_UP)[number], number>>>;
const FAR_MM = 40;

/**
 * The planner's problem for one eye as a mixed-integer program in CPLEX LP text, for a general solver: one binary per zone
 * and stocked length, one continuous variable for every amount given up and every bend. The same objective as planLine,
 * written a second time. `kept` holds amounts already settled to what they are; what is minimised comes after them.
 */
export function lineAsProgram(
  zones: readonly LineZone[],
  limits: LineLimits,
  kept: GivenUpAmounts,
  minimise: (typeof GIVEN_UP)[number] | "cost",
): string {
  const n = zones.length;
  const z = (i: number, k: number) => `z${i}_${k}`;
  const x = (i: number, times: number) =>
    zones[i]!.choices.map(({ lengthsMm: [mm] }, k) => `${times < 0 ? "-" : "+"} ${Math.abs(times) * mm!} ${z(i, k)}`).join(" ");
  const worn = (i: number) => i >= 0 && i < n && zones[i]!.choices.length > 0;
  const amounts: Record<(typeof GIVEN_UP)[number], string[]> = { drop: [], corner: [], step: [], accent: [], dip: [] };
  const cost: string[] = [];
  const rows: string[] = [];
  const fallen: string[] = [];
  /** Fallen by the step into zone i, or before it; null where no run of the look has begun. */
  let before: string | null = null;
  zones.forEach((zone, i) => {
    if (!worn(i)) return void (before = null);
    zone.choices.forEach((choice, k) => {
      cost.push(`+ ${choice.distance / MICRO} ${z(i, k)}`);
      if (choice.belowMm) amounts.corner.push(`+ ${choice.belowMm} ${z(i, k)}`);
      if (choice.shortMm) amounts.accent.push(`+ ${choice.shortMm} ${z(i, k)}`);
    });
    rows.push(`${zone.choices.map((_, k) => `+ ${z(i, k)}`).join(" ")} = 1`);
    if (!worn(i - 1)) return void (before = null);
    const previous = zones[i - 1]!;
    if (Number.isFinite(limits.stepMm) && !zone.byLash && !previous.byLash) {
      amounts.step.push(`+ s${i}`);
      rows.push(`${x(i, 1)} ${x(i - 1, -1)} - s${i} <= ${limits.stepMm}`, `${x(i - 1, 1)} ${x(i, -1)} - s${i} <= ${limits.stepMm}`);
    }
    if (i === n - 1 && Number.isFinite(limits.outerDropMm)) {
      amounts.drop.push("+ o");
      rows.push(`${x(i, 1)} ${x(i - 1, -1)} - o <= ${-limits.outerDropMm}`);
      const { longEndDropMm } = limits;
      if (longEndDropMm !== undefined)
        zone.choices.forEach(({ lengthsMm: [mm] }, k) => {
          if (mm! >= LONG_END_MM) rows.push(`${x(i - 1, -1)} + ${FAR_MM} ${z(i, k)} - o <= ${FAR_MM - mm! - longEndDropMm}`);
        });
    }
    const inLook = !zone.corner && !previous.corner && !zone.mark && !previous.mark;
    if (inLook) {
      // A rise into this zone counts once the line has fallen; a fall into it counts from here on.
      if (before) {
        amounts.dip.push(`+ d${i}`);
        rows.push(`${x(i, 1)} ${x(i - 1, -1)} + ${FAR_MM} ${before} - d${i} <= ${FAR_MM}`);
      }
      rows.push(`${x(i - 1, 1)} ${x(i, -1)} - ${FAR_MM} f${i} <= 0`);
      if (before) rows.push(`f${i} - ${before} >= 0`);
      fallen.push(`f${i}`);
      before = `f${i}`;
    }
    if (zone.mark && previous.mark && zone.mark !== previous.mark) {
      const sign = zone.mark === "on" ? 1 : -1;
      cost.push(`+ ${TEXTURE_WEIGHT} t${i}`);
      rows.push(`${x(i, sign)} ${x(i - 1, -sign)} + t${i} >= ${TEXTURE_MM}`);
    }
    if (worn(i + 1)) {
      cost.push(`+ ${ROUGHNESS_WEIGHT} b${i}`);
      rows.push(`b${i} ${x(i - 1, -1)} ${x(i, 2)} ${x(i + 1, -1)} >= 0`, `b${i} ${x(i - 1, 1)} ${x(i, -2)} ${x(i + 1, 1)} >= 0`);
    }
  });
  for (const [name, mm] of Object.entries(kept) as [(typeof GIVEN_UP)[number], number][])
    if (amounts[name].length) rows.push(`${amounts[name].join(" ")} <= ${mm + 1e-7}`);
  const objective = minimise === "cost" ? cost : amounts[minimise];
  const binaries = [...zones.flatMap((zone, i) => zone.choices.map((_, k) => z(i, k))), ...fallen].join(" ");
  return `Minimize\n obj: ${objective.join(" ") || `0 ${binaries.split(" ")[0]}`}\nSubject To\n${rows.map((row, i) => ` c${i}: ${row}`).join("\n")}\nBinary\n ${binaries}\nEnd\n`;
}
