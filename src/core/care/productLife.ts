import type { PatchFamily } from "../mixing/productKinds";

/** What is about to touch a client, out of one pack. Dates ISO, in the studio's zone; null where nobody noted them. */
export type UsedProduct = {
  readonly productId: string;
  readonly name: string;
  /** The family whose patch test speaks for it; null for what has none. */
  readonly family: PatchFamily | null;
  readonly isPowder: boolean;
  readonly openedOn: string | null;
  readonly lifeAfterOpeningDays: number | null;
  /** The date printed on the pack: its last good day. */
  readonly expiresOn: string | null;
};

const DAY_MS = 86_400_000;
const daysBetween = (from: string, to: string) => Math.round((Date.parse(to.slice(0, 10)) - Date.parse(from.slice(0, 10))) / DAY_MS);

export type ProductAge = {
  /** Past the date printed on it. */
  readonly pastDate: boolean;
  /** Days past its life after opening; null where it is not, or nobody knows. */
  readonly daysPastLife: number | null;
  readonly weight: "stop" | "ask" | null;
  readonly words: string | null;
};

/**
 * Where a pack stands on a day. Past its printed date nothing is used. Past its life after opening an adhesive is asked
 * about; colour, lotion, lightener and whatever else goes on eyes or skin stop.
 */
export function productAge(
  {
    name,
    family,
    openedOn,
    lifeAfterOpeningDays,
    expiresOn,
  }: Pick<UsedProduct, "name" | "family" | "openedOn" | "lifeAfterOpeningDays" | "expiresOn">,
  today: string,
): ProductAge {
  const pastDate = expiresOn !== null && expiresOn < today;
  const over = openedOn !== null && lifeAfterOpeningDays !== null ? daysBetween(openedOn, today) - lifeAfterOpeningDays : 0;
  const daysPastLife = over > 0 ? over : null;
  if (pastDate) return { pastDate, daysPastLife, weight: "stop", words: `${name} is past its printed date (${expiresOn}).` };
  if (daysPastLife === null) return { pastDate, daysPastLife, weight: null, words: null };
  const days = `${daysPastLife} ${daysPastLife === 1 ? "day" : "days"}`;
  return {
    pastDate,
    daysPastLife,
    weight: family === "adhesive" ? "ask" : "stop",
    words: `${name} is ${days} past its life after opening.`,
  };
}
