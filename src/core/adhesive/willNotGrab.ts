/** What is already known when nothing will hold; null where nobody knows. */
export type GrabFacts = {
  readonly primer: "oilyOnly" | "always" | "balancer" | "none";
  /** Words for the air against the bottle's window; null without a reading. */
  readonly air: { readonly fits: boolean; readonly words: string } | null;
  readonly bottle: { readonly daysLeft: number; readonly old: boolean; readonly name: string } | null;
  /** Seconds since the last shake ended; null when none was kept. */
  readonly shakenS: number | null;
  readonly bead: { readonly ageS: number; readonly lifeS: number } | null;
  /** How the map's fibres lie against the lashes; null without a map. */
  readonly baseContact: { readonly holds: boolean; readonly words: string } | null;
};

export type GrabCheck = {
  readonly id: "washed" | "rinsed" | "primed" | "dry" | "room" | "bottle" | "bead" | "amount" | "curl" | "underWrap";
  readonly question: string;
  readonly state: "well" | "wrong" | "ask";
  readonly says: string;
};

/** A bead put out longer than this after shaking was not stirred. */
const SHAKEN_LASTS_S = 45 * 60;

const PRIMED: Readonly<Record<GrabFacts["primer"], string>> = {
  oilyOnly: "On oily lashes only, by the studio's policy.",
  always: "Always, by the studio's policy.",
  balancer: "A pH balancer, by the studio's policy.",
  none: "None, by the studio's policy; was the cleansing thorough?",
};

/** "It will not grab": what to look at, in the trade's order, with what is known already read off. */
export function willNotGrab(facts: GrabFacts): GrabCheck[] {
  const { air, bottle, bead, baseContact, shakenS } = facts;
  return [
    { id: "washed", question: "Washed?", state: "ask", says: "Lashes, lid above and skin below; work at the bases." },
    { id: "rinsed", question: "Rinsed?", state: "ask", says: "Cleanser left on keeps glue off. Rinse fully." },
    { id: "primed", question: "Primed by policy?", state: "ask", says: PRIMED[facts.primer] },
    { id: "dry", question: "Dry?", state: "ask", says: "A damp lash sets the glue before it touches." },
    {
      id: "room",
      question: "Room?",
      state: air === null ? "ask" : air.fits ? "well" : "wrong",
      says: air?.words ?? "No fresh reading: look at the hygrometer.",
    },
    {
      id: "bottle",
      question: "Bottle: age, shaken?",
      state: bottle === null || shakenS === null ? "ask" : bottle.daysLeft < 0 || bottle.old || shakenS > SHAKEN_LASTS_S ? "wrong" : "well",
      says: bottle === null ? "No bottle is written down." : bottleWords(bottle, shakenS),
    },
    {
      id: "bead",
      question: "Bead's age?",
      state: bead === null ? "ask" : bead.ageS > bead.lifeS ? "wrong" : "well",
      says:
        bead === null
          ? "No bead is out."
          : `${Math.round(bead.ageS / 60)} of ${Math.round(bead.lifeS / 60)} minutes${bead.ageS > bead.lifeS ? ": spent, put out a new one" : ""}.`,
    },
    { id: "amount", question: "Amount on the fibre?", state: "ask", says: "A full bead at the base, no visible excess." },
    {
      id: "curl",
      question: "Curl against the lash?",
      state: baseContact === null ? "ask" : baseContact.holds ? "well" : "wrong",
      says: baseContact?.words ?? "No map is open.",
    },
    { id: "underWrap", question: "Under-wrap?", state: "ask", says: "Does the glue reach round the natural lash?" },
  ];
}

function bottleWords({ name, daysLeft, old }: NonNullable<GrabFacts["bottle"]>, shakenS: number | null): string {
  const age = daysLeft < 0 ? `past its life by ${-daysLeft} ${daysLeft === -1 ? "day" : "days"}` : `${daysLeft} days left`;
  const shaken = shakenS === null ? "no shake was kept" : `shaken ${Math.max(0, Math.round(shakenS / 60))} min ago`;
  return `${name}: ${age}${old ? ", slow by its own tests" : ""}; ${shaken}.`;
}
