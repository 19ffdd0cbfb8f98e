import { CURLS } from "@/core/curl";
import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { PAPERS, trolleyBrief, type Paper } from "@/core/formats";
import { mapFacts, planMap, setZone, type LashMap, type MapWish } from "@/core/map";
import { defaultPolicy } from "@/core/policy";
import { briefPdf } from "@/features/map/briefPdf";
import { padStripPdf } from "@/features/map/padStripPdf";
import { lengthsFrom, surveyOf, trayOf } from "../support/surveys";

/** Prints read back with poppler's pdftotext, which gives every word's box in points from the top left. */
const folder = mkdtempSync(path.join(tmpdir(), "ivy-prints-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
type Word = { readonly text: string; readonly left: number; readonly top: number; readonly right: number; readonly bottom: number };
const POINTS_PER_MM = 72 / 25.4;
function readBack(pdf: Uint8Array): Word[][] {
  const file = path.join(folder, "print.pdf");
  writeFileSync(file, pdf);
  const pages = execFileSync("pdftotext", ["-bbox", file, "-"], { encoding: "utf8" }).split("<page ").slice(1);
  return pages.map((page) =>
    [...page.matchAll(/<word xMin="([\d.-]+)" yMin="([\d.-]+)" xMax="([\d.-]+)" yMax="([\d.-]+)">(.*?)<\/word>/g)].map(
      ([, left, top, right, bottom, text]) => {
        const mm = (points: string | undefined) => Number(points) / POINTS_PER_MM;
        return {
          text: text!.replace(/&(?:apos|#39);/g, "'").replace(/&amp;/g, "&"),
          left: mm(left),
          top: mm(top),
          right: mm(right),
          bottom: mm(bottom),
        };
      },
    ),
  );
}
const wordsOf = (page: Word[]) => page.map(({ text }) => text).join(" ");

const survey = { ...surveyOf([7.2, 10.2, 9.2]), oilyLids: true, serum: true };
const trays = [0.15, 0.12, 0.1, 0.07, 0.05].flatMap((diameterMm) =>
  (["C", "D", "M"] as const).map((curl) => trayOf(lengthsFrom(5, 15), { diameterMm, curl })),
);
const fan = (count: number, diameterMm = 0.05) => ({ curl: "D" as const, diameterMm, shape: "round" as const, count });
const wish: MapWish = {
  title: "Wall-to-wall ".repeat(7).trim().slice(0, 80),
  look: "squirrel",
  school: { id: "equal", zones: 16 },
  fibre: { curl: "C", diameterMm: 0.15, shape: "round", count: 1 },
  longestMm: null,
  coupling: "each",
  lashClasses: 4,
  accents: { offsetMm: 3, sections: 12, placing: { every: 4, cluster: 1, innerEvery: 2 }, fibre: fan(4) },
  under: { belowMm: 2, sections: 12, fibre: fan(2, 0.07) },
  hybrid: { share: 0.5, pattern: "alternate", fibre: fan(8) },
};
/** As full as a map comes: sixteen zones of four classes, three layers, a hybrid, and a different fibre in every zone. */
const crowded = ((): LashMap => {
  let { map } = planMap(survey, wish, defaultPolicy, trays)!;
  for (const side of ["right", "left"] as const)
    map.eyes[side].layers.forEach((layer, l) =>
      layer.zones.forEach((zone, i) => {
        if (zone && l < 2) map = setZone(map, side, i, { ...zone, curl: i % 2 ? "D" : "M", diameterMm: 0.15, lengthMm: 5 + (i % 11) }, l);
      }),
    );
  return map;
})();
const plain = planMap(
  survey,
  { title: "plain", look: "natural", school: { id: "browPeak" }, fibre: wish.fibre, longestMm: null, coupling: "mirrored" },
  defaultPolicy,
  trays,
)!.map;
const brief = (
  map: LashMap,
  paper: Paper,
  client = "Wilhelmina Featherstonehaugh-Oystercatcher of the Long Harbour Road and Beyond, ".repeat(2),
) => {
  const facts = mapFacts(map, { survey, policy: defaultPolicy, trays });
  return briefPdf(facts, trolleyBrief(facts, { secondsPerSingle: 45, secondsPerFan: 80 }), {
    view: "facing",
    paper,
    savedOn: "23 Sep 2026",
    client,
  });
};

describe.each(Object.keys(PAPERS) as Paper[])("on %s", (paper) => {
  const { widthMm, heightMm } = PAPERS[paper];
  const inside = (page: Word[]) => {
    for (const word of page) {
      expect([word.text, word.left > 5, word.right < widthMm - 5]).toEqual([word.text, true, true]);
      expect([word.text, word.top > 5, word.bottom < heightMm - 5]).toEqual([word.text, true, true]);
    }
  };
  const apart = (page: Word[]) => {
    for (const [i, a] of page.entries())
      for (const b of page.slice(i + 1)) {
        const across = Math.min(a.right, b.right) - Math.max(a.left, b.left);
        // A word's box is the font's whole line, higher than its letters by about half.
        const down = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top);
        const deep = down / Math.min(a.bottom - a.top, b.bottom - b.top);
        if (across > 0.3 && deep > 0.45) throw new Error(`“${a.text}” and “${b.text}” lie on each other.`);
      }
  };

  test("the brief of a map as full as they come keeps to its one page, every word inside it and none on another", async () => {
    const pages = readBack(await brief(crowded, paper));
    expect(pages).toHaveLength(1);
    inside(pages[0]!);
    apart(pages[0]!);
    const words = wordsOf(pages[0]!);
    // What keeps eyes safe is never what a full page leaves out.
    for (const caution of ["Check left and right", "Eyes stay shut", "rinse at once", "lash serum", "local codes"])
      expect(words).toContain(caution);
    expect(words).toMatch(/\d+ more on the map\./);
    // Every zone's lengths stand there whole: shorter lashes' first.
    for (const zone of crowded.eyes.right.layers[0]!.zones)
      if (zone) expect(words).toContain([...(zone.classes ?? []).map(({ lengthMm }) => lengthMm), zone.lengthMm].join("/"));
    expect(words).toContain("…");
  });
  test("a plain map's brief has both eyes in one line, all it lays out, and nothing cut", async () => {
    const [page] = readBack(await brief(plain, paper, "Zoë Ångström"));
    inside(page!);
    apart(page!);
    const words = wordsOf(page!);
    expect(words).toContain("Zoë Ångström");
    expect(words).toContain("both eyes Base");
    expect(words).not.toMatch(/more on the map|…/);
    const sumOf = (pattern: RegExp) => [...words.matchAll(pattern)].reduce((sum, match) => sum + Number(match[1]), 0);
    const said = sumOf(/(\d+) lashes on the client's right/g) + sumOf(/, (\d+) on the left/g);
    expect(said).toBeGreaterThan(100);
    expect(sumOf(/(\d+) lashes, \d+ strips?/g)).toBe(said);
  });
  test("pad strips of every layer: a page each, words inside it, the ruler's figures 20 mm apart", async () => {
    const pages = readBack(
      await padStripPdf(survey, crowded, "bedHead", {
        paper,
        savedOn: "23 Sep 2026",
        name: "ZÅ",
        wearing: { curlOf: ({ curl }) => CURLS[curl], offsetMm: 1 },
      }),
    );
    expect(pages).toHaveLength(crowded.eyes.right.layers.length);
    for (const page of pages) {
      inside(page);
      const middle = ({ left, right }: Word) => (left + right) / 2;
      const mark = page.findIndex(({ text }, i) => text === "20" && page[i + 1]?.text === "mm");
      const [zero, twenty] = [page.find(({ text, top }) => text === "0" && Math.abs(top - page[mark]!.top) < 0.5)!, page[mark]!];
      const label = (twenty.left + page[mark + 1]!.right) / 2;
      expect(label - middle(zero)).toBeCloseTo(20, 1);
      expect(wordsOf(page)).toMatch(/Layer \d of 3/);
      // Whose it is stands over the page and on each eye's strip, which is cut out.
      expect(page.filter(({ text }) => text === "ZÅ")).toHaveLength(3);
    }
  });
});
