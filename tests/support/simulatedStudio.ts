import { FACTORS } from "@/core/retention/factors";
import type { FillFacts } from "@/core/retention/fillFacts";
import { studioRetention } from "@/core/retention/studioRetention";
import { mulberry32, standardNormal } from "@/core/units";

/** What is true of a studio that is drawn: log ratios by factor and level, and how clients and visits differ. */
export type Truth = {
  readonly fills: number;
  readonly clients: number;
  readonly effects: Readonly<Record<string, Readonly<Record<string, number>>>>;
  readonly clientSd: number;
  readonly visitSd: number;
  /** Its clients' cycle, days; drawn anew where null. */
  readonly cycleDays: number | null;
  readonly seed: number;
};

/** Two years of fills, drawn by the model with named parameters. Winters are dry, some bottles old, some answers missing. */
export function simulatedFills(truth: Truth): FillFacts[] {
  const random = mulberry32(truth.seed);
  const normal = () => standardNormal(random);
  const chance = (p: number) => random() < p;
  const pick = <T>(...of: readonly T[]) => of[Math.floor(random() * of.length)]!;
  const cycleDays = truth.cycleDays ?? 90 + 5 * normal();
  const clients = Array.from({ length: truth.clients }, (_, i) => ({
    clientId: `client-${i}`,
    own: truth.clientSd * normal(),
    technicianId: pick("anna", "berit"),
    technique: pick("single", "fan") as FillFacts["technique"],
    curl: pick("C", "D", "L"),
    contactMm: 0.7 + random() * 1.8,
    washesAWeek: pick(2, 3, 4, 5, 6, 7),
    oil: chance(0.35),
    steam: chance(0.4),
    cried: chance(0.4),
    sleepsOn: pick("right", "left", "back", "back", "either") as FillFacts["sleepsOn"],
    oily: chance(0.4),
    tells: chance(0.85),
  }));
  return Array.from({ length: truth.fills }, (_, i) => {
    const { own, oily, tells, ...client } = i < clients.length ? clients[i]! : clients[Math.floor(random() * clients.length)]!;
    const yearShare = random();
    const relativeHumidity = Math.min(0.8, Math.max(0.15, 0.48 - 0.09 * Math.cos(2 * Math.PI * yearShare) + 0.09 * normal()));
    const temperatureC = 22 - Math.cos(2 * Math.PI * yearShare) + 1.6 * normal();
    const known = chance(0.9);
    const days = 12 + Math.floor(random() * 15);
    const facts: FillFacts = {
      visitId: `fill-${i}`,
      placedAtMs: Date.UTC(2024, 0, 1) + i * 43_200_000,
      days,
      worn: 110 + Math.floor(random() * 110),
      left: 0,
      bareBelowDays: 0,
      yearShare,
      relativeHumidity: known ? relativeHumidity : null,
      temperatureC: known ? temperatureC : null,
      vapourDensityGm3: known ? relativeHumidity * 0.194 * 100 * Math.exp(0.06 * (temperatureC - 22)) : null,
      adhesiveId: pick("quick", "calm"),
      bottleAgeDays: Math.floor(random() * 56),
      setTimeDrift: 0.9 + random() * 0.6,
      beadAgeS: 240 + random() * 600,
      primer: chance(oily ? 0.7 : 0.3) ? "primer" : "none",
      attachment: pick("top", "under"),
      talked: chance(0.3),
      moved: chance(0.2),
      ...client,
      washesAWeek: tells ? client.washesAWeek : null,
      sleepsOn: tells ? client.sleepsOn : null,
    };
    const asIs = { ...facts, relativeHumidity, temperatureC, washesAWeek: client.washesAWeek, sleepsOn: client.sleepsOn };
    let log = Math.log(0.0105) + own + truth.visitSd * normal() + 0.12 * Math.cos(2 * Math.PI * yearShare);
    for (const factor of FACTORS) log += truth.effects[factor.id]?.[factor.levelOf(asIs) ?? ""] ?? 0;
    const on = (1 - days / cycleDays) * Math.exp(-days * Math.exp(log));
    let left = 0;
    for (let lash = 0; lash < facts.worn; lash++) if (chance(on)) left += 1;
    return { ...facts, left };
  });
}

/** What is supposed of the cycle where studios are reckoned. */
const SUPPOSED = { cycle: { mean: 90, sd: 5 }, bareBelowSd: 4 };

/** Over many studios drawn anew: how often what is told holds the truth, and how much of what is found is false. */
export function tallyStudios(truth: Omit<Truth, "seed" | "cycleDays">, studios: number, looks: readonly number[] = [truth.fills]) {
  const tally = {
    visit: { told: 0, held: 0 },
    client: { told: 0, held: 0 },
    found: 0,
    falsely: 0,
    /** Studios in which anything was found, at one of the looks. */
    anything: 0,
    foundOf: new Map<string, number>(),
  };
  for (let seed = 1; seed <= studios; seed++) {
    const fills = simulatedFills({ ...truth, cycleDays: null, seed: seed * 7919 });
    let here = 0;
    for (const look of looks) {
      const { factors } = studioRetention(fills.slice(0, look), { supposed: SUPPOSED, nameOf: (_, id) => id });
      for (const one of factors) {
        if (one.kind === "silent") continue;
        const { id, belongsTo } = one.factor;
        for (const { level, low, high } of one.effects) {
          const of = (levelId: string) => truth.effects[id]?.[levelId] ?? 0;
          const ratio = Math.exp(of(level.id) - of(one.reference.id));
          tally[belongsTo].told += 1;
          if (low <= ratio && ratio <= high) tally[belongsTo].held += 1;
        }
        if (!one.isFound) continue;
        here += 1;
        tally.foundOf.set(id, (tally.foundOf.get(id) ?? 0) + 1);
        if (!truth.effects[id]) tally.falsely += 1;
      }
    }
    tally.found += here;
    if (here > 0) tally.anything += 1;
  }
  return tally;
}
