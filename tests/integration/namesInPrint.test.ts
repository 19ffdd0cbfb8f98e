import { createRequire } from "node:module";
import { filesFor, rangesOf } from "@/features/print/fontFiles";
import { apart } from "@/features/print/runs";
import { openDocument } from "@/features/print/sheet";

type Operators = { readonly fnArray: number[] };

/** A print of some lines, read back by another library (pdfjs-dist 5.5.207): its words, and how many outlines are filled. */
async function printed(...lines: string[]) {
  const { pdf, addSheet } = await openDocument("Names", "a4", lines);
  const sheet = addSheet();
  lines.forEach((line, i) => sheet.text(line, 20, 30 + i * 10, 5, { bold: i % 2 === 1, within: 160 }));
  sheet.sayWhatIsMissing(20);
  const pdfjs = await import(createRequire(__filename).resolve("pdfjs-dist/legacy/build/pdf.mjs"));
  const page = await (await pdfjs.getDocument({ data: new Uint8Array(await pdf.save()) }).promise).getPage(1);
  const words = (await page.getTextContent()).items.map((item: { str: string }) => item.str).join(" ") as string;
  const { fnArray } = (await page.getOperatorList()) as Operators;
  return { words: words.replace(/\s+/g, " "), outlines: fnArray.filter((fn) => fn === pdfjs.OPS.constructPath).length };
}

describe("names in any script", () => {
  test.each(["Łucja Żółć", "Nguyễn Thị Ánh", "Анна Ковальчук", "Νεφέλη", "王小明", "さくら", "김하늘", "დარეჯან", "Անահիտ"])(
    "%s stands on the page, letter for letter",
    async (name) => {
      const { words, outlines } = await printed("Calla", name, `For ${apart(name)}.`);
      // A font's part holds some of the letters: the reader puts a space where the next begins.
      const close = (text: string) => text.replace(/\s/g, "");
      expect(close(words).split(close(name))).toHaveLength(3);
      expect(words).not.toContain("?");
      expect(outlines).toBe(0);
    },
  );
  test.each(["ليلى حسن", "שרה לוי", "अनन्या", "สมหญิง"])("%s is shaped by its font and drawn", async (name) => {
    const { words, outlines } = await printed("Calla", name, `For ${apart(name)}.`);
    expect(outlines).toBeGreaterThanOrEqual(2);
    expect(words).toContain("For");
    expect(words).not.toContain("?");
  });
  test("a letter that no font has is a question mark, and the page says so; otherwise it says nothing", async () => {
    const { words } = await printed("Calla \u{1F338} Bright");
    expect(words).toContain("Calla ? Bright");
    expect(words).toContain("has no type for");
    expect((await printed("Calla Bright")).words).not.toContain("has no type for");
  });
  test("words from right to left end at the right of their room", async () => {
    const { addSheet } = await openDocument("Names", "a4", ["ליא"]);
    const sheet = addSheet();
    const drawn: { x: number }[] = [];
    const { page } = sheet as unknown as { page: { drawSvgPath: (path: string, at: { x: number }) => void } };
    page.drawSvgPath = (_, at) => void drawn.push(at);
    sheet.paragraph("ליא", 20, 30, 5, 100);
    sheet.text("ליא", 20, 50, 5, { within: 100 });
    expect(drawn[0]!.x).toBeGreaterThan((100 / 25.4) * 72);
    expect(drawn[1]!.x).toBeCloseTo((20 / 25.4) * 72, 6);
  });
});

describe("font files", () => {
  test("plain words need one; a name as many as it is written in", () => {
    const names = (words: string) => filesFor(words).map(({ name }) => name.split("/")[1]);
    expect(names("Calla Bright, 12 mm")).toContain("hanken-grotesk-latin");
    expect(names("Calla")[0]).toBe("hanken-grotesk-latin");
    expect(names("Żółć")).toContain("hanken-grotesk-latin-ext");
    expect(names("Анна")).toContain("noto-sans-cyrillic");
    expect(names("Calla").length).toBeLessThanOrEqual(2);
  });
  test("ranges as the packages write them", () => {
    expect(rangesOf("U+0-FF, U+131,U+1F1E9-1F1F5")).toEqual([
      [0, 0xff],
      [0x131, 0x131],
      [0x1f1e9, 0x1f1f5],
    ]);
  });
});
