import { fallingSteps } from "../statistics/isotonic";
import type { Count } from "./shareLeft";

/** A fill as a curve wants it. */
export type CountedFill = Count & { readonly days: number; readonly clientId: string };
/** The share still on by a day, and the band that holds it in 95 of 100 sets of such clients; null where too few tell. */
export type CurvePoint = {
  readonly days: number;
  readonly share: number;
  readonly low: number | null;
  readonly high: number | null;
  readonly fills: number;
};

/** Below so many clients drawing them anew says nothing of others. */
const FEWEST_CLIENTS = 5;
const DRAWS = 400;

/**
 * How many are still on by each day on which a fill was counted. Counts say "so many left by this day", not when the others
 * went, so the falling steps closest to them are the likeliest (current status data: Groeneboom and Wellner, Information
 * Bounds and Nonparametric Maximum Likelihood Estimation, 1992); never Kaplan-Meier. The band draws clients anew, whole, as
 * fills of one client are alike; `random` gives numbers from 0 to 1, the same band for the same ones.
 */
export function survivalCurve(fills: readonly CountedFill[], random: () => number): CurvePoint[] {
  const days = [...new Set(fills.map((one) => one.days))].sort((a, b) => a - b);
  const at = new Map(days.map((day, i) => [day, i]));
  const byClient = new Map<string, CountedFill[]>();
  for (const one of fills) byClient.set(one.clientId, [...(byClient.get(one.clientId) ?? []), one]);
  const clients = [...byClient.values()];
  const curve = stepsOf(fills, days, at);
  const drawn =
    clients.length < FEWEST_CLIENTS
      ? []
      : Array.from({ length: DRAWS }, () =>
          stepsOf(
            clients.flatMap(() => clients[Math.floor(random() * clients.length)]!),
            days,
            at,
          ),
        );
  return days.map((day, i) => {
    const shares = drawn.map((steps) => steps[i]!).sort((a, b) => a - b);
    return {
      days: day,
      share: curve[i]!,
      low: shares[Math.floor(0.025 * DRAWS)] ?? null,
      high: shares[Math.ceil(0.975 * DRAWS) - 1] ?? null,
      fills: fills.filter((one) => one.days === day).length,
    };
  });
}

/** The falling steps of some fills on given days; a day without a fill stands as the one before, and at first all are on. */
function stepsOf(fills: readonly CountedFill[], days: readonly number[], at: ReadonlyMap<number, number>): number[] {
  const [left, worn] = [days.map(() => 0), days.map(() => 0)];
  for (const one of fills) {
    const i = at.get(one.days)!;
    left[i]! += one.left;
    worn[i]! += one.worn;
  }
  const known = days.flatMap((_, i) => (worn[i]! > 0 ? [i] : []));
  const steps = fallingSteps(
    known.map((i) => left[i]! / worn[i]!),
    known.map((i) => worn[i]!),
  );
  const byDay = new Map(known.map((i, rank) => [i, steps[rank]!]));
  let last = 1;
  return days.map((_, i) => (last = byDay.get(i) ?? last));
}
