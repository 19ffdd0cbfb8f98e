import sharp from "sharp";
import { fingerprint, makeStudio, pointAppAtTests, type TestStudio } from "../support/studios";
import type { Member } from "@/server/member";

// Pictures at the door: what is kept is re-encoded and stripped, what is no picture is refused in words, nothing half-kept.

let me: Member | null = null;
jest.mock("@/server/member", () => ({
  currentMember: async () => me,
  requireMember: async () => me,
  mayActAs: () => true,
}));
jest.mock("next/cache", () => ({ refresh: () => undefined }));
pointAppAtTests();

let studio: TestStudio;
beforeAll(async () => {
  studio = await makeStudio("pictures");
  me = studio.member("technician");
});

const flat = (width: number, height: number) => sharp({ create: { width, height, channels: 3, background: "#c9a" } });
async function send(body: Buffer, query = "kind=closed&side=left", client = studio.ids.client) {
  const { takePicture } = await import("@/features/pictures/intake");
  const response = await takePicture(new Request(`http://127.0.0.1/x?${query}`, { method: "POST", body: new Uint8Array(body) }), client);
  return { status: response.status, body: (await response.json()) as { id?: string; message?: string } };
}
async function kept(id: string) {
  const { givePicture } = await import("@/features/pictures/intake");
  return Buffer.from(await (await givePicture(id)).arrayBuffer());
}

test("a camera's picture, lying on its side with place and time in it, is kept upright, at most 2,000 px, with none of that", async () => {
  const photo = await flat(3000, 1500)
    .jpeg()
    .withMetadata({ orientation: 6, exif: { IFD0: { Copyright: "somebody" }, IFD3: { GPSLatitude: "51/1 30/1 0/1" } } })
    .toBuffer();
  expect((await sharp(photo).metadata()).exif).toBeDefined();
  const { status, body } = await send(photo);
  expect(status).toBe(200);
  const metadata = await sharp(await kept(body.id!)).metadata();
  expect(metadata).toMatchObject({ format: "jpeg", width: 1000, height: 2000 });
  expect([metadata.exif, metadata.iptc, metadata.xmp, metadata.orientation]).toEqual([undefined, undefined, undefined, undefined]);
});

test("PNG with holes and WebP are taken too, on white", async () => {
  const png = await sharp({ create: { width: 400, height: 300, channels: 4, background: { r: 0, g: 0, b: 0, alpha: 0 } } })
    .png()
    .toBuffer();
  const { body } = await send(png);
  const { data } = await sharp(await kept(body.id!))
    .raw()
    .toBuffer({ resolveWithObject: true });
  expect(Math.min(...data.subarray(0, 300))).toBeGreaterThan(250);
  expect((await send(await flat(400, 300).webp().toBuffer())).status).toBe(200);
});

test.each<[string, () => Promise<Buffer>, number, RegExp]>([
  ["text", async () => Buffer.from("not a picture at all, whatever its name says"), 422, /no picture/],
  ["nothing", async () => Buffer.alloc(0), 422, /no picture/],
  [
    "a drawing in SVG, which could carry script",
    async () => Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="400" height="400"/>'),
    422,
    /JPEG, PNG or WebP/,
  ],
  ["a picture cut off half way", async () => (await flat(1200, 900).jpeg().toBuffer()).subarray(0, 400), 422, /no picture/],
  ["60 megapixels", async () => flat(10_000, 6_000).png({ compressionLevel: 9 }).toBuffer(), 422, /60 megapixels; up to 50/],
  [
    "a moving picture",
    async () =>
      sharp([await flat(300, 300).png().toBuffer(), await flat(300, 300).negate().png().toBuffer()], { join: { animated: true } })
        .webp({ delay: [90, 90] })
        .toBuffer(),
    422,
    /moves/,
  ],
  ["a picture of a few pixels", async () => flat(60, 40).png().toBuffer(), 422, /too small/],
  ["17 MB", async () => Buffer.alloc(17 * 1024 * 1024), 413, /16 MB/],
])("%s is refused in words, and nothing is kept", async (_, body, status, words) => {
  const before = await fingerprint(studio.ids.studioId);
  const answer = await send(await body());
  expect([answer.status, answer.body.message]).toEqual([status, expect.stringMatching(words)]);
  expect(await fingerprint(studio.ids.studioId)).toBe(before);
});

test("whose eye and how is asked for, and a client of the studio", async () => {
  const photo = await flat(400, 300).jpeg().toBuffer();
  expect((await send(photo, "kind=closed")).status).toBe(400);
  expect((await send(photo, "kind=shut&side=left")).status).toBe(400);
  expect((await send(photo, undefined, crypto.randomUUID())).status).toBe(404);
  expect((await send(photo, undefined, "1; drop table")).status).toBe(404);
});

test("marks are kept and read back as they were; impossible ones are refused and the old ones stay", async () => {
  const { saveMarks } = await import("@/features/pictures/actions");
  const { picturesPage } = await import("@/features/pictures/data");
  const marks = {
    version: 2 as const,
    scale: { from: [10, 10] as [number, number], to: [400, 10] as [number, number], mm: 20 },
    across: null,
    line: [],
    places: {},
    lashes: [],
    left: [{ at: [200, 40] as [number, number], is: "outgrown" as const, layer: 0 }],
  };
  // As a page opened before extensions were counted on pictures sends them.
  const { left: _, ...older } = { ...marks, version: 1 };
  expect(await saveMarks({ id: studio.ids.picture, marks: older })).toMatchObject({ ok: true });
  expect((await picturesPage(me!, studio.ids.client))!.pictures.find(({ id }) => id === studio.ids.picture)!.marks).toEqual({
    ...marks,
    left: [],
  });
  expect(await saveMarks({ id: studio.ids.picture, marks: { ...older, version: 3 } })).toMatchObject({ ok: false });
  expect(await saveMarks({ id: studio.ids.picture, marks })).toMatchObject({ ok: true });
  expect(await saveMarks({ id: studio.ids.picture, marks: { ...marks, scale: { ...marks.scale, mm: 0 } } })).toMatchObject({ ok: false });
  const page = await picturesPage(me!, studio.ids.client);
  expect(page!.pictures.find(({ id }) => id === studio.ids.picture)!.marks).toEqual(marks);
});

test("an older survey and map in the database are read as the newest version", async () => {
  const { readFileSync } = await import("node:fs");
  const { inStudio } = await import("@/server/inStudio");
  const { sql } = await import("drizzle-orm");
  const { mapPage } = await import("@/features/map/data");
  const file = JSON.parse(readFileSync("tests/support/files/lash-map.v1.json", "utf8")) as { map: object; survey: object };
  const [surveyId, mapId] = [crypto.randomUUID(), crypto.randomUUID()];
  const { studioId, client } = studio.ids;
  await inStudio({ studioId, id: studio.ids.technician }, async (tx) => {
    await tx.execute(
      sql`insert into studio.survey (studio_id, id, client_id, document, taken_by) values (${studioId}, ${surveyId}, ${client}, ${JSON.stringify(file.survey)}::jsonb, ${studio.ids.technician})`,
    );
    await tx.execute(
      sql`insert into studio.lash_map (studio_id, id, client_id, survey_id, head) values (${studioId}, ${mapId}, ${client}, ${surveyId}, 1)`,
    );
    await tx.execute(
      sql`insert into studio.lash_map_revision (studio_id, map_id, revision, document, saved_by) values (${studioId}, ${mapId}, 1, ${JSON.stringify(file.map)}::jsonb, ${studio.ids.technician})`,
    );
  });
  const page = await mapPage(me!, client, mapId);
  if (page === null || page === "no survey") throw new Error("not read");
  expect(page.saved!.map).toMatchObject({ version: 2, title: "an older map" });
  expect(page.survey.document).toMatchObject({ version: 3, serum: false });
});
