import { DOSE_STEPS, type DoseUnit } from "./dose";

export type Dose = { readonly amount: number; readonly unit: DoseUnit };

const inSteps = (steps: number, unit: DoseUnit) => Number((steps * DOSE_STEPS[unit]).toFixed(4));

/** How far the shares are from those wanted: the worst ratio of two doses, as a fraction. 0 when all grew alike. */
export function ratioError(exact: readonly Dose[], dosed: readonly Dose[]): number {
  const grown = dosed.map(({ amount }, i) => amount / exact[i]!.amount);
  return Math.max(...grown) / Math.min(...grown) - 1;
}

/** A whole mix is stretched to at most this much of what is needed, so that its shares can be kept. A model of this product. */
const STRETCHES = [1, 1.1, 1.2, 1.35, 1.5, 1.75, 2, 2.5, 3, 4];
/** Shares within this need no more stretching. A model of this product. */
const GOOD_ENOUGH = 0.05;

/**
 * Amounts a hand can dose: each up or down to a whole step, never to nothing, together at least what is needed. Of all
 * such, the one whose shares are truest; where the shares would be far off, a little more of everything is mixed.
 * `allowed` has the last word (the lash limit): a mix that it refuses is never returned; null where nothing is left.
 */
export function roundDoses(exact: readonly Dose[], allowed: (doses: readonly Dose[]) => boolean = () => true): readonly Dose[] | null {
  let best: { doses: readonly Dose[]; error: number } | null = null;
  for (const stretch of STRETCHES) {
    for (let pick = 0; pick < 2 ** exact.length; pick++) {
      const doses = exact.map(({ amount, unit }, i): Dose => {
        const steps = (amount * stretch) / DOSE_STEPS[unit];
        const whole = pick & (1 << i) ? Math.ceil(steps - 1e-9) : Math.floor(steps + 1e-9);
        return { unit, amount: inSteps(Math.max(1, whole), unit) };
      });
      if (!allowed(doses)) continue;
      const error = ratioError(exact, doses);
      if (!best || error < best.error - 1e-9) best = { doses, error };
    }
    if (best && best.error <= GOOD_ENOUGH) break;
  }
  return best?.doses ?? null;
}
