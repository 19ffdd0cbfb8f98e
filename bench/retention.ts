import { lookedAtWith, nextLookWith, studioRetention } from "@/core/retention";
import { simulatedFills, tallyStudios } from "../tests/support/simulatedStudio";
import { medianMs, ms, printTable, ratioOf, type Row } from "./measure";

// What a studio's fills tell, over many studios whose truth is known; and how long ten thousand fills take.
const STUDIOS = Number(process.env.IVY_BENCH_STUDIOS ?? 60);
const EFFECTS = { humidity: { dry: 0.55 }, bottleAge: { old: 0.4 }, sleepsOn: { side: 0.5 } };
const SIZES = [
  { fills: 120, clients: 30 },
  { fills: 400, clients: 80 },
] as const;
const percent = (share: number) => `${(100 * share).toFixed(1)} %`;

const held: Row[] = [];
for (const size of SIZES)
  for (const visitSd of [0, 0.2]) {
    const drawn = { ...size, clientSd: 0.35, visitSd };
    const what = `${size.fills} fills of ${size.clients} clients, visit noise ${visitSd}`;
    const { visit, client, found, falsely } = tallyStudios({ ...drawn, effects: EFFECTS }, STUDIOS);
    const nothing = tallyStudios({ ...drawn, effects: {} }, STUDIOS);
    const row = (told: string, share: number, wanted: number): Row => ({
      what: `${what}: ${told}`,
      ours: percent(share),
      yardstick: percent(wanted),
      ratio: ratioOf(share, wanted),
    });
    held.push(
      row("intervals of a visit's factors hold", visit.held / visit.told, 0.95),
      ...(client.told > 0 ? [row("intervals of a client's factors hold", client.held / client.told, 0.95)] : []),
      row("of what is found, false", falsely / Math.max(1, found), 0.1),
      row("studios where nothing matters in which something is found", nothing.anything / STUDIOS, 0.1),
    );
  }
printTable(`What is told, over ${STUDIOS} studios each; the yardstick is what is promised`, held);

const looks: number[] = [];
for (let at = lookedAtWith(30)!; at <= 400; at = nextLookWith(at)) looks.push(at);
const tens = Array.from({ length: 38 }, (_, i) => 30 + 10 * i);
const nothing = { fills: 400, clients: 80, effects: {}, clientSd: 0.35, visitSd: 0.2 };
const few = Math.ceil(STUDIOS / 2);
const fixed = tallyStudios(nothing, few, looks).anything / few;
const every = tallyStudios(nothing, few, tens).anything / few;
printTable(`Studios where nothing matters, in which something is found at one of the looks (${few} studios)`, [
  {
    what: `looked at ${looks.length} fixed times up to 400 fills, beside every tenth fill`,
    ours: percent(fixed),
    yardstick: percent(every),
    ratio: every > 0 ? ratioOf(fixed, every) : "–",
  },
]);

const many = simulatedFills({ fills: 10_000, clients: 600, effects: EFFECTS, clientSd: 0.35, visitSd: 0.2, cycleDays: 90, seed: 5 });
const options = { supposed: { cycle: { mean: 90, sd: 5 }, bareBelowSd: 4 }, nameOf: (_: string, id: string) => id };
const begun = performance.now();
studioRetention(many, options);
const took = performance.now() - begun;
const once = medianMs(() =>
  many.reduce(
    (sum, { left, worn, days }) => sum + left * Math.log(Math.exp(-0.01 * days)) + (worn - left) * Math.log(1 - Math.exp(-0.01 * days)),
    0,
  ),
);
printTable("Ten thousand fills", [
  {
    what: "the whole reckoning, beside the likelihood of the same counts once",
    ours: ms(took),
    yardstick: ms(once),
    ratio: ratioOf(took, once),
  },
]);
