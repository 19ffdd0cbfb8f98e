import { chromium, type Page } from "@playwright/test";
import { median, ms, printTable, ratioOf, type Row } from "./measure";
import { signedInPage } from "./signedIn";
import { CHROMIUM } from "../scripts/lib/chromium.mjs";

/** Asked of the built app that scripts/bench.mjs started: the slider over the days of a set, in a real browser, slowed; beside one changing figure. */
const { IVY_BENCH_URL: url, IVY_BENCH_PASSWORD: password } = process.env;
if (!url || !password) throw new Error("Run `npm run bench`: it starts what this needs.");

const THROTTLE = 4;
const FRAME_MS = 16.7;
const FRAMES = 210;

const browser = await chromium.launch(CHROMIUM);
try {
  const page = await signedInPage(browser, url, password);
  await page.goto("/clients");
  await page
    .getByRole("link", { name: /Calla Reedmace/ })
    .first()
    .click();
  await page.getByRole("button", { name: "Over its next 35 days" }).click();
  await page.locator("[data-bands]").waitFor();
  // Every day is drawn ahead before the processor is slowed.
  await page.waitForTimeout(4000);
  const cdp = await page.context().newCDPSession(page);
  await cdp.send("Emulation.setCPUThrottlingRate", { rate: THROTTLE });
  // Once without looking: what a browser first has to compile is not what a step costs.
  await framesOf(page, "slider");
  const [slider, figure] = [await framesOf(page, "slider"), await framesOf(page, "figure")];
  const late = (frames: readonly number[]) => frames.filter((took) => took > 1.5 * FRAME_MS).length / frames.length;
  const rows: Row[] = [
    { what: "a frame, median", ours: ms(median(slider)), yardstick: ms(median(figure)), ratio: ratioOf(median(slider), median(figure)) },
    {
      what: "frames that came late",
      ours: `${(100 * late(slider)).toFixed(0)} %`,
      yardstick: `${(100 * late(figure)).toFixed(0)} %`,
      ratio: late(figure) > 0 ? ratioOf(late(slider), late(figure)) : "–",
    },
  ];
  printTable(
    `A slider step a frame over the days of a set, processor slowed ${THROTTLE} times; the yardstick is one changing figure on that page`,
    rows,
  );
} finally {
  await browser.close();
}

/** How long frames take while something changes in each, ms. */
function framesOf(page: Page, what: "slider" | "figure"): Promise<number[]> {
  return page.evaluate(
    async ({ what, frames }) => {
      const slider = document.querySelector<HTMLInputElement>("input[type=range]")!;
      const figure = document.body.appendChild(document.createElement("p"));
      const setValue = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")!.set!;
      const took: number[] = [];
      let last = await new Promise<number>(requestAnimationFrame);
      for (let i = 0; i < frames; i++) {
        if (what === "slider") {
          setValue.call(slider, String(1 + (i % 35)));
          slider.dispatchEvent(new Event("input", { bubbles: true }));
        } else figure.textContent = String(i);
        const now = await new Promise<number>(requestAnimationFrame);
        took.push(now - last);
        last = now;
      }
      figure.remove();
      return took;
    },
    { what, frames: FRAMES },
  );
}
