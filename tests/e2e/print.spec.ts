import { readFile } from "node:fs/promises";
import { getDocument, OPS } from "pdfjs-dist/legacy/build/pdf.mjs";
import { expect, openClient, test } from "./support";

const POINTS_PER_MM = 72 / 25.4;

/** Straight strokes of a page as [width, height] in mm, and its words with their middles in mm. */
async function readBack(file: string) {
  const pdf = await getDocument({ data: new Uint8Array(await readFile(file)), verbosity: 0 }).promise;
  const page = await pdf.getPage(1);
  const { fnArray, argsArray } = await page.getOperatorList();
  const strokes: [number, number][] = [];
  fnArray.forEach((fn: number, i: number) => {
    if (fn !== OPS.constructPath) return;
    const box = argsArray[i]?.[2] as ArrayLike<number> | undefined;
    if (box) strokes.push([(box[2]! - box[0]!) / POINTS_PER_MM, (box[3]! - box[1]!) / POINTS_PER_MM]);
  });
  const { items } = await page.getTextContent();
  const words = items.flatMap((item) =>
    "str" in item && item.str.trim()
      ? [{ text: item.str, x: (item.transform[4] + item.width / 2) / POINTS_PER_MM, y: item.transform[5] / POINTS_PER_MM }]
      : [],
  );
  return { size: page.view.slice(2).map((points: number) => points / POINTS_PER_MM), strokes, words };
}

for (const [paper, label, width, height] of [
  ["a4", "A4", 210, 297],
  ["letter", "US Letter", 215.9, 279.4],
] as const)
  test(`the pad strip on ${label}, read back, is true to scale (published page sizes; 1 mm = 2.834646 pt)`, async ({ page }) => {
    await openClient(page, /Ottilie/);
    await page
      .getByRole("link", { name: /squirrel/ })
      .first()
      .click();
    await page.waitForURL(/\/map\//);
    if (paper === "letter") await page.getByRole("radio", { name: "US Letter" }).click();
    await page.keyboard.press("b");
    const [download] = await Promise.all([page.waitForEvent("download"), page.getByRole("button", { name: "Pad strip" }).click()]);
    const { size, strokes, words } = await readBack(await download.path());
    expect(size[0]).toBeCloseTo(width, 1);
    expect(size[1]).toBeCloseTo(height, 1);
    expect(strokes.filter(([w, h]) => Math.abs(w - 20) < 0.01 && h < 0.01)).toHaveLength(1);
    const at = (text: string) => words.find((word) => word.text === text)!;
    expect(at("20 mm").x - at("0").x).toBeCloseTo(20, 1);
    expect(words.some(({ text }) => text.includes("from the bed head"))).toBe(true);
    // From the bed head the client's left eye lies on the left of the paper.
    expect(at("client's left").x).toBeLessThan(at("client's right").x);
    // Twenty zones, each with its length and number.
    expect(words.filter(({ text }) => /^(\d{1,2}|–)$/.test(text)).length).toBeGreaterThanOrEqual(40);
  });
