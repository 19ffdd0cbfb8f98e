import { readFile } from "node:fs/promises";
import type { Page } from "@playwright/test";
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import { asJpeg, DRAWN_PICTURES } from "../../src/db/demo/pictures";
import { expect, openClient, test, zone, zoneText } from "./support";

const sheet = (page: Page, name: string) => page.getByRole("radio", { name, exact: true }).click();
const mm = (text: string) => Number(text.match(/[\d.]+/)?.[0]);
async function openMap(page: Page, client: RegExp) {
  await openClient(page, client);
  await page.locator('main a[href*="/map/"]').first().click();
  await page.waitForURL(/\/map\//);
  await expect(zone(page, "right", 1)).toBeVisible();
}
const wordsOf = async (file: string) => {
  const pdf = await getDocument({ data: new Uint8Array(await readFile(file)), verbosity: 0 }).promise;
  const pages = await Promise.all(
    Array.from({ length: pdf.numPages }, async (_, i) => (await (await pdf.getPage(i + 1)).getTextContent()).items),
  );
  return pages.map((items) => items.map((item) => ("str" in item ? item.str : "")).join(" "));
};
const download = async (page: Page, name: string) => {
  const [file] = await Promise.all([page.waitForEvent("download"), page.getByRole("button", { name, exact: true }).click()]);
  return file.path();
};

test("accents and an under layer on a map: worked on by themselves, drawn, counted, printed a page a layer", async ({ page }) => {
  await openMap(page, /Dagny/);
  await sheet(page, "layers");
  await page.getByRole("region", { name: "Accents" }).getByRole("button", { name: "Add" }).click();
  await expect(page.getByLabel("Title of the map")).toHaveValue("wispy squirrel, C 0.15");
  await page.getByRole("region", { name: "Under layer" }).getByRole("button", { name: "Add" }).click();
  await page.getByRole("radio", { name: "accents" }).click();
  await expect(page.getByRole("slider", { name: "client's right, accent 3", exact: true })).toBeVisible();
  const sum = async () => {
    const texts = await Promise.all([2, 3, 4, 5, 6, 7, 8, 9].map((i) => zoneText(page, "right", i)));
    return texts.reduce((total, text) => total + (text === "bare" ? 0 : mm(text)), 0);
  };
  const [accents, below] = [await sum(), async () => (await page.getByRole("radio", { name: "base" }).click(), sum())];
  const base = await below();
  // Accents reach as far as they can; less wished over the base lets the base come up under them.
  await page.getByLabel("Over the base").selectOption("2");
  await expect.poll(sum).toBeGreaterThan(base);
  await page.getByLabel("Over the base").selectOption("3");
  await expect.poll(sum).toBe(base);
  await page.getByRole("radio", { name: "accents" }).click();
  await expect.poll(sum).toBe(accents);
  // One layer is changed by keys, the other stays.
  const accent = mm(await zoneText(page, "right", 3));
  await zone(page, "right", 3).click();
  await page.keyboard.press("ArrowDown");
  expect(mm(await zoneText(page, "right", 3))).toBe(accent - 1);
  await page.keyboard.press("n");
  await expect(page.getByRole("slider", { name: "client's right, under layer 1", exact: true })).toBeVisible();
  await page.keyboard.press("n");
  await expect(page.getByRole("slider", { name: "client's right, zone 1", exact: true })).toBeVisible();

  await sheet(page, "work");
  await expect(page.getByRole("region", { name: "Pick list" })).toContainText("C 0.07");
  await expect(page.getByRole("region", { name: "Lashes and time" })).toContainText(/lashes, about \d+ h|lashes, about \d+ min/);
  const strip = await wordsOf(await download(page, "Pad strip"));
  expect(strip).toHaveLength(3);
  expect(strip[0]).toContain("Base: C 0.15");
  expect(strip[1]).toContain("Accents: C 0.07 4D, one to every 4 lashes");
  expect(strip[2]).toContain("Under layer");
  expect(strip[2]).toContain("20 mm");
  const [brief] = await wordsOf(await download(page, "Trolley brief"));
  for (const part of ["Dagny", "Order of work", "To lay out", "To mind", "Check left and right"]) expect(brief).toContain(part);
  await page.getByText("Import and export").click();
  const csv = await readFile(await download(page, "CSV"), "utf8");
  expect(csv.split("\r\n")[0]).toMatch(/^map,eye,layer,role,zone,from,to,length_mm/);
  expect(csv).toContain("right,2,accent,3");
  const png = await readFile(await download(page, "PNG"));
  expect(png.subarray(1, 4).toString()).toBe("PNG");
});

test("a look is bent by its handle, kept as the studio's own, and taken up on another map", async ({ page }) => {
  await openMap(page, /Dagny/);
  await page.getByRole("button", { name: /Bend it|bend on/ }).click();
  const handle = page.locator("[data-handle=right-2]");
  await handle.focus();
  const before = await handle.getAttribute("aria-valuetext");
  for (let i = 0; i < 6; i++) await page.keyboard.press("ArrowDown");
  await expect(handle).not.toHaveAttribute("aria-valuetext", before!);
  await page.getByRole("button", { name: /Looks of the studio/ }).click();
  await page.getByLabel("Keep this map’s look as").fill("Slack tide");
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await expect(page.getByRole("dialog").getByText("Slack tide")).toBeVisible();
  page.on("dialog", (dialog) => void dialog.accept());
  await openMap(page, /Sunniva/);
  await page.getByRole("button", { name: /Looks of the studio/ }).click();
  await page.getByRole("listitem").filter({ hasText: "Slack tide" }).getByRole("button", { name: "Take it" }).click();
  await expect(page.getByRole("button", { name: "Bent; bend on" })).toBeVisible();
});

test("zones are split, joined and pulled; landmarks are pulled and stay in order", async ({ page }) => {
  await openMap(page, /Dagny/);
  await zone(page, "right", 4).click();
  await sheet(page, "fibre");
  await page.getByRole("button", { name: "Split" }).click();
  await expect(zone(page, "right", 11)).toBeVisible();
  await expect(zone(page, "left", 11)).toBeVisible();
  await page.getByRole("button", { name: "Join with 5" }).click();
  await expect(zone(page, "right", 11)).toHaveCount(0);
  const pull = async (selector: string, by: number) => {
    const box = (await page.locator(selector).first().boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    for (let i = 1; i <= 5; i++) await page.mouse.move(box.x + box.width / 2 + (by * i) / 5, box.y + box.height / 2);
    await page.mouse.up();
  };
  const width = async () => (await zone(page, "right", 4).locator("rect").first().boundingBox())!.width;
  const was = await width();
  await pull("[data-edge=right-4] rect", -12);
  expect(await width()).toBeGreaterThan(was + 6);
  // By key as well: the chosen zone's outer line, which lies to its left on the client's right eye.
  const pulled = await width();
  await zone(page, "right", 4).focus();
  for (let i = 0; i < 4; i++) await page.keyboard.press("Shift+ArrowRight");
  await expect.poll(width).toBeLessThan(pulled - 3);
  const pupil = page.locator("[data-landmark=right-pupil]");
  const at = Number(await pupil.getAttribute("aria-valuenow"));
  await pull("[data-landmark=right-pupil] rect", -400);
  await expect.poll(async () => Number(await pupil.getAttribute("aria-valuenow"))).not.toBe(at);
  const iris = Number(await page.locator("[data-landmark=right-irisOuter]").getAttribute("aria-valuenow"));
  expect(Number(await pupil.getAttribute("aria-valuenow"))).toBeLessThan(iris);
});

test("no worker and no line: that nothing is planned or reckoned is said, what is drawn stays, and asked again it is there", async ({
  page,
}) => {
  await page.addInitScript(() => Object.assign(window, { Worker: undefined }));
  await openMap(page, /Calla/);
  const wasDrawn = await zoneText(page, "right", 5);
  // The sheet itself still comes; the planner, which is fetched from it, does not.
  const cost = page.getByRole("heading", { name: "What they cost" });
  await page.route(/_next\/static\/.*\.js/, async (route) => ((await cost.isVisible()) ? route.abort() : route.continue()));
  await sheet(page, "limits");
  await expect(page.getByText(/^This could not be reckoned: no connection/)).toBeVisible();
  const drop = page.getByLabel("Outer drop");
  await drop.selectOption("2");
  const refusal = page.getByText("The plan could not be made: no connection. What is drawn stays; ask again.");
  await expect(refusal).toBeVisible();
  expect(await zoneText(page, "right", 5)).toBe(wasDrawn);
  await page.unrouteAll({ behavior: "wait" });
  await drop.selectOption("2");
  await expect(refusal).toBeHidden();
  await expect(drop).toHaveValue("2");
  await expect(page.getByText(/^This could not be reckoned/)).toBeHidden();
});

test("I ran out: the nearest in stock stands in, with what it costs, and the shelf knows", async ({ page }) => {
  await openMap(page, /Sunniva/);
  await zone(page, "right", 6).click();
  await sheet(page, "fibre");
  const length = mm(await zoneText(page, "right", 6));
  await page.getByRole("button", { name: `I ran out of ${length}` }).click();
  const dialog = page.getByRole("dialog");
  await expect(dialog).toContainText(`No ${length} mm C 0.10 left`);
  await expect(dialog.getByRole("region", { name: "Swaps" })).toContainText(/Load, day 14/);
  await dialog.getByRole("button", { name: "Swap, and take it off the shelf" }).click();
  await expect(dialog).toHaveCount(0);
  page.on("dialog", (asked) => void asked.accept());
  await page.goto("/shelf");
  const button = page.getByRole("button", { name: `C 0.10 round, ${length} mm`, exact: true });
  await expect(button).toHaveAttribute("aria-pressed", "false");
  await button.click();
  await expect(button).toHaveAttribute("aria-pressed", "true");
});

test("the look of 14 with less: the lightest in stock that lifts as far is worn with one tap", async ({ page }) => {
  await openMap(page, /Ottilie/);
  await zone(page, "right", 6).click();
  await sheet(page, "fibre");
  await page.getByRole("button", { name: "The look of a longer one" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Wished length").selectOption("13");
  await expect(dialog.getByText(/It would lift \d/)).toBeVisible();
  const wear = dialog.getByRole("button", { name: /^Wear / });
  const words = await wear.innerText();
  await wear.click();
  expect(mm(await zoneText(page, "right", 6))).toBe(mm(words));
  await page.keyboard.press("Control+z");
});

test("another curl is drawn beside at equal lift; a fibre is swapped for as much mass wherever it is worn", async ({ page }) => {
  await openMap(page, /Imke/);
  await zone(page, "right", 6).click();
  await sheet(page, "fibre");
  await page.getByRole("radio", { name: "curls at equal lift" }).click();
  await page.getByRole("button", { name: "Draw D beside" }).click();
  await expect(page.getByText("Dashed lifts just as far in D.")).toBeVisible();
  await page.getByRole("radio", { name: "wherever it is worn" }).click();
  const title = page.getByLabel("Title of the map");
  const before = await title.inputValue();
  const lengths = async () => Promise.all([1, 5, 9].map((n) => zoneText(page, "left", n))).then((texts) => texts.map(mm));
  const worn = await lengths();
  await page
    .getByRole("button", { name: /^\d+D C 0\.0\d/ })
    .first()
    .click();
  await expect(title).toHaveValue(/\d+D C 0\.0\d$/);
  expect(await lengths()).toEqual(worn);
  // Undone by the key, as one step.
  await zone(page, "right", 6).focus();
  await page.keyboard.press("Control+z");
  await expect(title).toHaveValue(before);
});

test("saves are compared, a map is kept as a template, noted and approved", async ({ page }) => {
  await openMap(page, /Zofia/);
  await sheet(page, "saves");
  await expect(page.getByText("Five zones is coarse for her")).toBeVisible();
  await page.getByRole("region", { name: "Saves" }).getByRole("button", { name: "Compare" }).first().click();
  const dialog = page.getByRole("dialog");
  await expect(dialog).toContainText("Both are the same map");
  await expect(dialog).toContainText(/client's right, darkness\s*soft, \d+\s%/);
  // Any two: a template of the studio on the left, the save on the right.
  await dialog.getByLabel("The first map").selectOption({ label: "Gull wing, wispy M" });
  await expect(dialog).not.toContainText("Both are the same map");
  await expect(dialog.getByRole("row", { name: /^accents/i })).toContainText("none");
  await expect(dialog.getByRole("img", { name: "Gull wing, wispy M, both eyes in the mirror" })).toBeVisible();
  await expect(dialog.getByRole("img", { name: "Both maps from the side, over the pupil" })).toBeVisible();
  await expect(dialog.getByRole("button", { name: /^Take Save/ })).toBeDisabled();
  await dialog.getByRole("button", { name: "Keep what is there" }).click();
  await page.getByRole("button", { name: "Keep this map as a template" }).click();
  await expect(page.getByRole("region", { name: "Saves" }).getByText("kept by Maren Holt")).toBeVisible();
  await page.getByLabel("A note").fill("Seven zones suit her well.");
  await page.getByRole("button", { name: "Approve this save" }).click();
  await expect(page.getByText("Seven zones suit her well.")).toBeVisible();
  await expect(page.getByRole("region", { name: "Notes" })).toContainText("Approved");
});

test("the full survey: as many places as are looked at; a share that cannot be is named; what changed is told", async ({ page }) => {
  await openClient(page, /Thandeka/);
  await page.goto(`${page.url()}/survey`);
  await page.getByRole("radio", { name: "as many as you like" }).click();
  const right = page.getByRole("region", { name: "client's right", exact: true });
  await right.getByRole("button", { name: "One place more" }).click();
  await expect(right.getByLabel(/place 4, natural length/)).toBeVisible();
  await right.getByLabel(/place 2, natural length/).fill("7.1");
  await right.getByLabel(/place 2, share without lashes/).fill("120");
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await expect(right.getByText("0 to 95 %.")).toBeVisible();
  await right.getByLabel(/place 2, share without lashes/).fill("30");
  await expect(page.getByRole("region", { name: /^Since / })).toContainText(/length/);
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await page.waitForURL(/\/clients\/[0-9a-f-]{36}$/);
  await page.goto(`${page.url()}/survey`);
  await expect(page.getByRole("radio", { name: "as many as you like" })).toHaveAttribute("aria-checked", "true");
  await expect(right.getByLabel(/place 4, natural length/)).toBeVisible();
});

test("measured from a picture by taps alone: within 0.3 mm of what it was drawn from, and into the survey", async ({ page }) => {
  const drawn = DRAWN_PICTURES.find(({ key }) => key === "turned")!;
  // All of the picture in sight, so that every tap lands on it.
  await page.setViewportSize({ width: 1280, height: 1400 });
  await openClient(page, /Hesper/);
  await page.goto(`${page.url()}/survey/pictures`);
  await page
    .getByLabel("A picture to measure from")
    .setInputFiles({ name: "eye.txt", mimeType: "image/jpeg", buffer: Buffer.from("no picture") });
  await expect(page.getByText("This is no picture")).toBeVisible();
  await page
    .getByLabel("A picture to measure from")
    .setInputFiles({ name: "eye.jpg", mimeType: "image/jpeg", buffer: await asJpeg(drawn) });
  const board = page.getByTestId("board");
  await expect(board).toBeVisible();
  await expect(page.getByText("This is no picture")).toHaveCount(0);
  const tap = async ([x, y]: readonly [number, number]) => {
    const box = (await board.boundingBox())!;
    await page.mouse.click(box.x + (x / drawn.widthPx) * box.width, box.y + (y / drawn.heightPx) * box.height);
  };
  await tap(drawn.marks.scale!.from);
  await tap(drawn.marks.scale!.to);
  await page.getByRole("radio", { name: "lash line" }).click();
  for (const at of drawn.marks.line) await tap(at);
  await page.getByRole("radio", { name: "lashes", exact: true }).click();
  for (const i of [0, 4, 8, 12, 16]) for (const at of drawn.marks.lashes[i]!) await tap(at);
  const measured = page.getByTestId("measured");
  await measured.getByRole("radio", { name: "straight" }).click();
  await expect(measured).toContainText("Scale turned17°");
  const line = Number((await measured.innerText()).match(/Lash line\s+([\d.]+)/)![1]);
  expect(Math.abs(line - drawn.truth.lashLineMm)).toBeLessThan(0.3);
  const lengths = [...(await measured.innerText()).matchAll(/1 lash\s+([\d.]+) ±/g)].map((match) => Number(match[1]));
  expect(lengths).toHaveLength(5);
  lengths.forEach((length, i) => expect(Math.abs(length - drawn.truth.lashesMm[i * 4]!)).toBeLessThan(0.3));
  await page.getByRole("button", { name: "Fill the survey with it" }).click();
  await page.waitForURL(/\/survey\?from=pictures$/);
  const right = page.getByRole("region", { name: "client's right", exact: true });
  await expect(right.getByLabel("Lash line")).toHaveValue(String(line));
  await expect(right.getByLabel(/place 5, natural length/)).toBeVisible();
});
