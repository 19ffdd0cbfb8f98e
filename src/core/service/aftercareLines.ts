/** A line of an aftercare card; `before` is counted from the end of the visit into a date. */
export type CareLine = { readonly before?: { readonly hours?: number; readonly days?: number }; readonly text: string };

// Common practice; a product's leaflet adds to it.

const HELP: CareLine = { text: "Sting, redness or swelling: rinse with clean water, call us, and see a doctor." };
const FADES: CareLine = { text: "It fades over four to six weeks, sooner with oil and sun." };
const NO_EXTENSIONS: CareLine = { before: { hours: 24 }, text: "No extensions on tinted lashes" };

const lift: readonly CareLine[] = [
  { before: { hours: 12 }, text: "The nourishing lotion stays on; nothing on it" },
  { before: { hours: 24 }, text: "No water, steam, oil, mascara or sleeping on your face" },
  { text: "Comb the lashes up once a day; oil-free cleanser." },
];
const tint: readonly CareLine[] = [{ before: { hours: 24 }, text: "No steam, swimming or oily cleanser" }, NO_EXTENSIONS, FADES];
const brows: readonly CareLine[] = [{ before: { hours: 24 }, text: "No make-up, water, steam or oil on the brows" }];
const SUN: CareLine = { text: "Sun protection on the brows each day: bleached hair and skin burn sooner." };

/** What a client takes home, by what was done. */
export const AFTERCARE_LINES = {
  extensions: [
    { text: "Wash lids and lashes daily, or four to six times a week, with an oil-free cleanser; brush when dry." },
    { text: "Rinse after crying, steam, sweat or oil. No rubbing, no pulling, no curler." },
    { text: "Sleep on your back if you can." },
    HELP,
  ],
  removal: [{ before: { hours: 24 }, text: "No oil-based make-up; let the lashes rest" }, { text: "Cleanse gently, twice today." }, HELP],
  lift: [...lift, HELP],
  liftTint: [...lift, NO_EXTENSIONS, FADES, HELP],
  lashTint: [...tint, HELP],
  browTint: [...brows, FADES, HELP],
  lashBrowTint: [...tint, ...brows, HELP],
  lamination: [...brows, { text: "Comb to shape each morning; nourish at night." }, HELP],
  lightening: [...brows, SUN, HELP],
} as const satisfies Record<string, readonly CareLine[]>;
export type AftercareId = keyof typeof AFTERCARE_LINES;
