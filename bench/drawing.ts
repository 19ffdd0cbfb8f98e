import { chromium } from "@playwright/test";
import { fieldOf, SIDES, usualSurvey, type Survey } from "@/core/eye";
import { placements, type MapWish } from "@/core/map";
import { CHROMIUM } from "../scripts/lib/chromium.mjs";
import { mapOfBench } from "./mapOfBench";
import { median, ms, percentile, printTable, ratioOf, type Row } from "./measure";
import { signedInPage } from "./signedIn";

/** Asked of the built app that scripts/bench.mjs started: how long two eyes of fans take to be drawn, in a real browser. */
const { IVY_BENCH_URL: url, IVY_BENCH_PASSWORD: password, IVY_BENCH_OWNER: ownerUrl } = process.env;
if (!url || !password || !ownerUrl) throw new Error("Run `npm run bench`: it starts what this needs.");

const MOST_MS = 50;
const LEAST_FIBRES = 2_300;
const TURNS = 20;

/** Two eyes of 120 lashes and more, each in 10D, no baby lash among them. */
const usual = usualSurvey();
const eye = (from: Survey["eyes"]["right"]) => ({
  ...from,
  lashLineMm: 29,
  points: from.points.map((point) => ({ ...point, lengthMm: 10, babyShare: 0, rows: 2 })),
});
const survey: Survey = { ...usual, eyes: { right: eye(usual.eyes.right), left: eye(usual.eyes.left) } };
const mega = { curl: "D" as const, diameterMm: 0.03, shape: "round" as const, count: 10 };
const wish: MapWish = {
  title: "bench, 10D",
  look: "doll",
  school: { id: "browPeak" },
  fibre: mega,
  longestMm: null,
  coupling: "mirrored",
};
const { path, map } = await mapOfBench(ownerUrl, "Bench draw", survey, wish, [
  { curl: "D", diameterMm: 0.03, shape: "round", lengthsMm: [6, 7, 8, 9, 10, 11, 12] },
]);
const fibres = SIDES.flatMap((side) => placements(map, survey, side)).filter(({ worn }) => worn).length * mega.count;
if (fibres < LEAST_FIBRES) throw new Error(`Only ${fibres} fibres of ${fieldOf(survey, "right").length} lashes an eye.`);

const browser = await chromium.launch(CHROMIUM);
try {
  const page = await signedInPage(browser, url, password);
  await page.goto(path);
  await page.locator("[data-zone=right-1]").waitFor();
  await page.waitForTimeout(1500);
  // Turned to and fro everything is drawn anew. A pixel is read back, so that what was only ordered is painted too.
  const turns = await page.evaluate(async (count) => {
    const radios = ["in the mirror", "on the pad"].map((name) =>
      [...document.querySelectorAll<HTMLElement>("[role=radio]")].find(({ textContent }) => textContent === name)!,
    );
    const times: { all: number; lashes: number }[] = [];
    for (let i = 0; i < count * 2; i++) {
      performance.clearMeasures("lashes");
      const start = performance.now();
      radios[(i + 1) % 2]!.click();
      // After whatever the page still has to do, and not before: what is fetched when it is first turned to can come.
      while (performance.getEntriesByName("lashes").length === 0)
        await new Promise((resolve) => {
          const { port1, port2 } = new MessageChannel();
          port1.onmessage = resolve;
          port2.postMessage(null);
        });
      for (const canvas of document.querySelectorAll<HTMLCanvasElement>("[data-view] canvas"))
        canvas.getContext("2d")!.getImageData(0, 0, 1, 1);
      times.push({ all: performance.now() - start, lashes: performance.getEntriesByName("lashes")[0]!.duration });
      await new Promise((resolve) => setTimeout(resolve, 120));
    }
    return times.slice(2);
  }, TURNS);
  const table: Row[] = (
    [
      ["lashes ordered and laid", "lashes"],
      ["a view turned: page, eyes, lashes, all painted", "all"],
    ] as const
  ).flatMap(([what, key]) =>
    (
      [
        ["median", median],
        ["95th percentile", (values: number[]) => percentile(values, 0.95)],
      ] as const
    ).map(([which, of]) => {
      const value = of(turns.map((turn) => turn[key]));
      return { what: `${what}, ${which}`, ours: ms(value), yardstick: `${MOST_MS} ms`, ratio: ratioOf(value, MOST_MS) };
    }),
  );
  printTable(`Two eyes drawn, ${fibres} fibres`, table);
} finally {
  await browser.close();
}
