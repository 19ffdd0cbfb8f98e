import { createHash } from "node:crypto";
import Ajv2020 from "ajv/dist/2020";
import fc from "fast-check";
import { readFileSync } from "node:fs";
import path from "node:path";
import { CURLS } from "../curl";
import { openEye } from "../drawing";
import { lashField, usualSurvey } from "../eye";
import { mapInWords, padLashes, padStrip, padZones, planMap, turnHalfRound, zonesBackToFront, type LashMap } from "../map";
import { FIBRE_COLOURS } from "../lash";
import { defaultPolicy } from "../policy";
import { lengthsFrom, surveyArbitrary, traysArbitrary, trayOf } from "../../../tests/support/surveys";
import { eyesSvg, mapFileJsonSchema, readMapFile, writeMapFile } from ".";

const wish = {
  title: "harbour ½ – ß 🌊",
  look: "squirrel" as const,
  school: { id: "browPeak" as const },
  fibre: { curl: "C" as const, diameterMm: 0.15, shape: "round" as const, count: 1 },
  longestMm: null,
  coupling: "mirrored" as const,
};
const survey = usualSurvey();
const map = planMap(survey, wish, defaultPolicy, [trayOf(lengthsFrom(5, 14))])!.map;

test("a map file read back is the same map and survey", () => {
  fc.assert(
    fc.property(surveyArbitrary, traysArbitrary, (someSurvey, trays) => {
      const someMap = planMap(someSurvey, wish, defaultPolicy, trays)!.map;
      const read = readMapFile(writeMapFile(someMap, someSurvey));
      expect(read).toEqual({ ok: true, file: { format: "ivy-thread.lash-map", version: 3, map: someMap, survey: someSurvey } });
    }),
    { numRuns: 40, seed: 3 },
  );
});

test("what is written is valid by the published JSON Schema (ajv 8.20.0), and what is spoilt is not", () => {
  const validate = new Ajv2020({ strict: false, validateFormats: false }).compile(mapFileJsonSchema());
  expect(validate(JSON.parse(writeMapFile(map, survey)))).toBe(true);
  expect(validate({ ...JSON.parse(writeMapFile(map, survey)), version: 1 })).toBe(false);
});

type Spoil = (file: { format: string; version: number; map: LashMap & Record<string, unknown>; survey: unknown }) => unknown;
const spoilt: [string, Spoil, RegExp][] = [
  ["an unknown version", (f) => ({ ...f, version: 7 }), /version/],
  ["another format", (f) => ({ ...f, format: "drawing" }), /not a lash map/],
  ["a lash of 40 mm", (f) => ((f.map.eyes.right.layers[0]!.zones[2] as { lengthMm: number }).lengthMm = 40) && f, /25 mm/],
  ["a diameter of 1.5", (f) => ((f.map.fibre as { diameterMm: number }).diameterMm = 1.5) && f, /0\.25/],
  ["text for a number", (f) => (((f.map.eyes.left.layers[0]!.zones[1] as unknown as { lengthMm: string }).lengthMm = "long"), f), /./],
  ["a missing zone edge", (f) => ((f.map.eyes.left.layers[0]!.boundaries as number[]).pop(), f), /edge/],
  [
    "a zone of no width",
    (f) => (((f.map.eyes.left.layers[0]!.boundaries as number[])[3] = f.map.eyes.left.layers[0]!.boundaries[2]!), f),
    /width/,
  ],
  ["a field nobody knows", (f) => ({ ...f, map: { ...f.map, price: 12 } }), /./],
  ["no map", (f) => ({ format: f.format, version: 2, survey: null }), /./],
];
test.each(spoilt)("%s is refused, and said where", (_, spoil, words) => {
  const file = JSON.parse(writeMapFile(map, survey)) as Parameters<Spoil>[0];
  const read = readMapFile(JSON.stringify(spoil(file)));
  expect(read.ok).toBe(false);
  if (!read.ok) expect(read.problems.some(({ what }) => words.test(what))).toBe(true);
});

test("no text at all breaks the reader", () => {
  fc.assert(
    fc.property(fc.string(), (text) => readMapFile(text).ok === false),
    { seed: 4 },
  );
  fc.assert(
    fc.property(fc.json(), (text) => readMapFile(text).ok === false),
    { seed: 4 },
  );
  expect(readMapFile("x".repeat(600_000))).toMatchObject({ ok: false });
});

const arcLength = (points: readonly (readonly [number, number])[]) =>
  points.slice(1).reduce((sum, [x, y], i) => sum + Math.hypot(x - points[i]![0], y - points[i]![1]), 0);

test("the pad strip's lash line is as long as the surveyed one, and its fibres stand at true length", () => {
  const strip = padStrip(survey, map, "bedHead");
  for (const eye of strip.layers[0]!.eyes) {
    expect(arcLength(eye.lashLine)).toBeCloseTo(survey.eyes[eye.side].lashLineMm, 1);
    const zones = map.eyes[eye.side].layers[0]!.zones;
    const fibre = zones.find((zone) => zone !== null)!;
    const arc = eye.lengthArcs[0]!;
    const nearest = Math.min(...eye.lashLine.map(([x, y]) => Math.hypot(x - arc[4]![0], y - arc[4]![1])));
    expect(nearest).toBeCloseTo(fibre.lengthMm, 1);
  }
});

test("no length on the strip touches the next, however the line is cut", () => {
  fc.assert(
    fc.property(
      surveyArbitrary,
      fc.constantFrom({ id: "browPeak" as const }, ...[3, 9, 16].map((zones) => ({ id: "equal" as const, zones }))),
      (someSurvey, school) => {
        const someMap = planMap(someSurvey, { ...wish, school }, defaultPolicy, [trayOf(lengthsFrom(5, 14))])!.map;
        for (const eye of padStrip(someSurvey, someMap, "facing").layers[0]!.eyes) {
          const places = [...eye.lengths].sort((a, b) => a.at[0] - b.at[0]);
          // Two figures are about 1.15 times as wide as they are high.
          for (let i = 1; i < places.length; i++)
            expect(Math.hypot(places[i]!.at[0] - places[i - 1]!.at[0], places[i]!.at[1] - places[i - 1]!.at[1])).toBeGreaterThan(
              eye.lengthTextMm * 1.15,
            );
          expect(eye.lengths.map(({ text }) => text)).toEqual(
            someMap.eyes[eye.side].layers[0]!.zones.map((zone) => (zone ? String(zone.lengthMm) : "–")),
          );
        }
      },
    ),
    { numRuns: 60, seed: 6 },
  );
});

test("from the bed head the strip is the facing one turned half round, eyes changed over; twice is as before", () => {
  const facing = padStrip(survey, map, "facing").layers[0]!;
  const bed = padStrip(survey, map, "bedHead").layers[0]!;
  expect(bed.eyes.map((eye) => eye.side)).toEqual([...facing.eyes].reverse().map((eye) => eye.side));
  for (const eye of facing.eyes) {
    const same = bed.eyes.find((other) => other.side === eye.side)!;
    const turned = turnHalfRound(eye.lashLine, [0, 0]);
    turned.forEach(([x, y], i) => {
      expect(same.lashLine[i]![0]).toBeCloseTo(x, 9);
      expect(same.lashLine[i]![1]).toBeCloseTo(y, 9);
    });
    expect(turnHalfRound(turned, [0, 0]).map(([x]) => x)).toEqual(eye.lashLine.map(([x]) => expect.closeTo(x, 9)));
  }
  // Facing the client, the client's right eye is on the left and the pad lies below the lashes.
  expect(facing.eyes[0].side).toBe("right");
  expect(facing.eyes[0].zoneLines[5]!.to[1]).toBeGreaterThan(facing.eyes[0].zoneLines[5]!.from[1]);
});

test("the same seed grows the same lashes, and as many as the survey finds", () => {
  const grow = (seed: number) => lashField({ ...survey.eyes.right }, seed);
  expect(grow(3)).toEqual(grow(3));
  expect(grow(3)).not.toEqual(grow(4));
  expect(grow(3)).toHaveLength(118);
});

test.each([1, 2])(
  "a file of version %d, as an older Ivy Thread wrote it, is still read, valid by the schema published with it",
  (version) => {
    const text = readFileSync(path.join(process.cwd(), `tests/support/files/lash-map.v${version}.json`), "utf8");
    const published = JSON.parse(readFileSync(path.join(process.cwd(), `public/schemas/lash-map.v${version}.json`), "utf8")) as object;
    expect(new Ajv2020({ strict: false, validateFormats: false }).validate(published, JSON.parse(text))).toBe(true);
    const read = readMapFile(text);
    expect(read).toMatchObject({ ok: true, file: { version: 3, map: { version: 2 }, survey: { version: 3 } } });
    if (read.ok) {
      expect(read.file.map.eyes.right.layers[0]!.zones.map((zone) => zone?.lengthMm)).toEqual(
        (JSON.parse(text) as { map: LashMap }).map.eyes.right.layers[0]!.zones.map((zone) => zone?.lengthMm),
      );
      // What version 1 did not ask is taken as usual.
      expect(read.file.survey!.eyes.right.points.map(({ rows, babyShare }) => [rows, babyShare])).toEqual(
        [1, 2, 2].map((rows) => [rows, version === 1 ? 0 : 0.1]),
      );
      // Nobody looked at splay or colours then.
      expect(read.file.survey!.eyes.right.points.map(({ splayDeg }) => splayDeg)).toEqual([undefined, undefined, undefined]);
      expect(read.file.survey!.colours).toBeUndefined();
    }
  },
);

test("the SVG says which eye is which and is sized in millimetres, in the mirror and on the pad", () => {
  const [mirror, pad] = (["mirror", "pad"] as const).map((view) => eyesSvg(survey, map, view));
  for (const svg of [mirror!, pad!]) {
    expect(svg).toMatch(/^<svg [^>]*width="[\d.]+mm"/);
    expect(svg).not.toMatch(/NaN|undefined|Infinity/);
    expect(svg).toContain(">nose<");
    const [, width, across] = /width="([\d.]+)mm".*?viewBox="0 0 ([\d.]+)/.exec(svg)!;
    expect(width).toBe(across);
    // Each hair is a shape of its own, to be edited elsewhere: naturals and extensions of both eyes at least.
    expect(svg.split("<path").length).toBeGreaterThan(400);
  }
  const order = (svg: string) => svg.indexOf(">client's left<") - svg.indexOf(">client's right<");
  expect(order(mirror!)).toBeGreaterThan(0);
  expect(order(pad!)).toBeLessThan(0);
  // On the pad the lengths stand written.
  for (const zone of map.eyes.right.layers[0]!.zones) if (zone) expect(pad).toContain(`>${zone.lengthMm}<`);
});

test("on the strip every worn lash lies at its own place, a fan by three of its fibres, and the pad keeps its size if asked", () => {
  const wearing = { curlOf: (fibre: { curl: keyof typeof CURLS }) => CURLS[fibre.curl], offsetMm: 1 };
  const worn = lashField(survey.eyes.right, survey.seed).length;
  const lashes = padLashes(survey, map, "right", 0, "bedHead", wearing);
  expect(lashes.length).toBeGreaterThan(worn * 0.6);
  // From the bed head they lie up the paper, away from who works.
  for (const points of lashes) expect(points.at(-1)![1]).toBeLessThan(points[0]![1]);
  const fans: LashMap = {
    ...map,
    eyes: {
      ...map.eyes,
      right: {
        layers: map.eyes.right.layers.map((layer) => ({
          ...layer,
          zones: layer.zones.map((zone) => zone && { ...zone, count: 6, diameterMm: 0.05 }),
        })),
      },
    },
  };
  expect(padLashes(survey, fans, "right", 0, "bedHead", wearing).length % 3).toBe(0);
  const edge = (longestMm?: number) => Math.min(...padZones(survey, map, "right", 0, "bedHead", longestMm).padEdge.map(([, y]) => y));
  expect(edge(16)).toBeLessThan(edge() - 2);
  expect(edge(8)).toBe(edge(5));
});

test("a map in words names both eyes' lengths from the inner corner outwards, and what is bare", () => {
  const right = map.eyes.right.layers[0]!.zones.map((zone) => zone!.lengthMm).join(" ");
  expect(mapInWords(map)).toMatch(
    new RegExp(`^client's right, inner corner to outer: ${right} mm; client's left, inner corner to outer: `),
  );
  const bare = {
    ...map,
    eyes: { ...map.eyes, left: { layers: map.eyes.left.layers.map((layer) => ({ ...layer, zones: layer.zones.map(() => null) })) } },
  };
  expect(mapInWords(bare)).toMatch(/client's left, inner corner to outer: (bare ?)+ mm$/);
});

const ofTwoSizes = (() => {
  const eyes = { right: { ...survey.eyes.right, lashLineMm: 25 }, left: { ...survey.eyes.left, lashLineMm: 31 } };
  const unlike = { ...survey, eyes };
  return { survey: unlike, map: planMap(unlike, { ...wish, coupling: "each" }, defaultPolicy, [trayOf(lengthsFrom(5, 14))])!.map };
})();

test.each(["mirror", "pad"] as const)(
  "%s: names stand under the eyes, the nose between them, and nothing over the edge of the sheet",
  (view) => {
    const svg = eyesSvg(ofTwoSizes.survey, ofTwoSizes.map, view);
    const [, width, height] = /viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(svg)!.map(Number);
    const xOf = (word: string) => Number(new RegExp(`<text x="([\\d.]+)"[^>]*>${word}<`).exec(svg)![1]);
    const eyes = [...svg.matchAll(/<g aria-label="(client's \w+)">(.*?)<\/g>(?=<g aria-label|<text)/gs)].map(([, word, markup]) => {
      const numbers = [...markup!.matchAll(/ d="([^"]+)"/g)].flatMap(([, d]) => [...d!.matchAll(/-?\d+(?:\.\d+)?/g)].map(Number));
      const [xs, ys] = [0, 1].map((odd) => numbers.filter((_, i) => i % 2 === odd));
      return { word: word!, xs: xs!, ys: ys! };
    });
    expect(eyes).toHaveLength(2);
    for (const { word, xs, ys } of eyes) {
      expect(Math.min(...xs)).toBeGreaterThan(0);
      expect(Math.max(...xs)).toBeLessThan(width!);
      expect(Math.min(...ys)).toBeGreaterThan(0);
      expect(Math.max(...ys)).toBeLessThan(height! - 4);
      // Under the middle of the eye, nearly: lashes reach further out than in.
      expect(Math.abs(xOf(word) - (Math.min(...xs) + Math.max(...xs)) / 2)).toBeLessThan(4);
    }
    expect(xOf("nose")).toBeCloseTo((xOf("client's right") + xOf("client's left")) / 2, 1);
  },
);

test("what is written of two eyes unlike each other is the same everywhere: SVG and pad strip by their hashes", () => {
  const hashOf = (value: unknown) =>
    createHash("sha256")
      .update(typeof value === "string" ? value : roundedText(value))
      .digest("hex")
      .slice(0, 12);
  const roundedText = (value: unknown) =>
    JSON.stringify(value, (_, part: unknown) => (typeof part === "number" ? Math.round(part * 1000) / 1000 + 0 : part));
  const { survey: unlike, map: worn } = ofTwoSizes;
  expect({
    mirror: hashOf(eyesSvg(unlike, worn, "mirror")),
    pad: hashOf(eyesSvg(unlike, worn, "pad")),
    strip: hashOf(padStrip(unlike, worn, "facing")),
  }).toEqual({ mirror: "02b7255884f8", pad: "da8c04e4aaea", strip: "36fffc86c029" });
});

test("on the strip what is written stands clear of what is drawn: sides past the pad, a line past the fibres to each length", () => {
  for (const eye of padStrip(ofTwoSizes.survey, ofTwoSizes.map, "facing").layers[0]!.eyes) {
    // Turned about the arc's middle, both stand past the pad's ends.
    const radius = ofTwoSizes.survey.eyes[eye.side].lashLineMm / ((64 * Math.PI) / 180);
    const turn = ([x, y]: readonly [number, number]) => Math.abs(Math.atan2(x, y + radius));
    const end = Math.max(...eye.padEdge.map(turn));
    for (const at of [eye.innerAt, eye.outerAt]) {
      expect(turn(at)).toBeGreaterThan(end + 0.03);
      expect(turn(at)).toBeLessThan(end + 0.15);
    }
    expect(Math.sign(eye.innerAt[0])).toBe(-Math.sign(eye.outerAt[0]));
    const fromLine = ([x, y]: readonly [number, number]) => Math.min(...eye.lashLine.map(([lx, ly]) => Math.hypot(x - lx, y - ly)));
    const zones = ofTwoSizes.map.eyes[eye.side].layers[0]!.zones;
    eye.lengths.forEach(({ leader: [from, to] }, i) => {
      expect(fromLine(from)).toBeGreaterThan(zones[i]!.lengthMm + 0.2);
      expect(fromLine(to)).toBeGreaterThan(fromLine(from));
    });
    // A client's letters stand in the middle of the widest zone.
    const { boundaries } = ofTwoSizes.map.eyes[eye.side].layers[0]!;
    const widths = zones.map((_, i) => boundaries[i + 1]! - boundaries[i]!);
    const widest = widths.indexOf(Math.max(...widths));
    const [a, b] = [eye.zoneLines[widest]!, eye.zoneLines[widest + 1]!].map(({ from: [x] }) => x);
    expect(eye.nameAt[0]).toBeGreaterThan(Math.min(a!, b!));
    expect(eye.nameAt[0]).toBeLessThan(Math.max(a!, b!));
  }
});

test("on the SVG two eyes stand 22 mm apart, with 12 mm to either side", () => {
  const width = Number(/width="([\d.]+)mm"/.exec(eyesSvg(survey, map, "mirror"))![1]);
  const eyes = openEye(survey.eyes.right).widthMm + openEye(survey.eyes.left).widthMm;
  expect(width - eyes).toBeCloseTo(22 + 2 * 12, 1);
});

test("a coloured fibre is drawn in its own ink, black in the drawing's; accents lie over the rest", () => {
  const zones = map.eyes.right.layers[0]!.zones.map((zone) => zone && { ...zone, colour: "plum" as const });
  const plum: LashMap = { ...map, eyes: { ...map.eyes, right: { layers: [{ ...map.eyes.right.layers[0]!, zones }] } } };
  expect(eyesSvg(survey, plum, "mirror")).toContain(FIBRE_COLOURS.plum.ink);
  expect(eyesSvg(survey, map, "mirror")).not.toContain(FIBRE_COLOURS.plum.ink);
  const single = { curl: "C" as const, diameterMm: 0.15, shape: "round" as const, count: 1 };
  const accents = { offsetMm: 3, sections: 5, placing: { every: 4, cluster: 1, innerEvery: 2 }, fibre: single };
  const wispy = planMap(survey, { ...wish, accents }, defaultPolicy, [trayOf(lengthsFrom(5, 14))])!.map;
  const roles = zonesBackToFront(wispy, survey, "left").map(({ layer }) => wispy.eyes.left.layers[layer]!.role);
  expect(new Set(roles)).toEqual(new Set(["base", "accent"]));
  expect(roles.indexOf("accent")).toBeGreaterThan(roles.lastIndexOf("base"));
});
