import "server-only";
import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import sharp from "sharp";
import { z } from "zod";
import { SIDES } from "@/core/eye";
import { picture, PICTURE_KINDS } from "@/db/schema";
import { clientBehind } from "@/features/person/knownClient";
import { inStudio } from "@/server/inStudio";
import { currentMember } from "@/server/member";
import { answer, readBody, refuse } from "@/server/respond";

const MAX_BYTES = 16 * 1024 * 1024;
/** A phone's picture has 12 to 50 megapixels; past this nobody measures any better. */
const MAX_PIXELS = 50_000_000;
const LONGEST_PX = 2000;
const FORMATS = ["jpeg", "png", "webp"] as const;
const LEAST_PX = 200;

const querySchema = z.object({ kind: z.enum(PICTURE_KINDS), side: z.enum(SIDES) });

/** A picture made safe to keep: turned upright, at most 2,000 px, re-encoded, nothing of camera or place left in it. */
export async function cleanPicture(
  bytes: Buffer,
): Promise<{ ok: true; jpeg: Buffer; widthPx: number; heightPx: number } | { ok: false; message: string }> {
  try {
    const metadata = await sharp(bytes, { limitInputPixels: false }).metadata();
    if (!FORMATS.some((format) => format === metadata.format))
      return { ok: false, message: "This is not a picture that can be read here. Take a JPEG, PNG or WebP." };
    if ((metadata.pages ?? 1) > 1) return { ok: false, message: "This picture moves. Take a still one." };
    const pixels = metadata.width * metadata.height;
    if (pixels > MAX_PIXELS)
      return {
        ok: false,
        message: `This picture has ${Math.round(pixels / 1e6)} megapixels; up to ${MAX_PIXELS / 1e6} are taken. Make it smaller and send it again.`,
      };
    if (Math.min(metadata.width, metadata.height) < LEAST_PX)
      return { ok: false, message: `This picture is ${metadata.width} by ${metadata.height} px, too small to measure on.` };
    const { data, info } = await sharp(bytes, { limitInputPixels: MAX_PIXELS })
      .rotate()
      .resize({ width: LONGEST_PX, height: LONGEST_PX, fit: "inside", withoutEnlargement: true })
      .flatten({ background: "#ffffff" })
      .jpeg({ quality: 84, mozjpeg: true })
      .toBuffer({ resolveWithObject: true });
    return { ok: true, jpeg: data, widthPx: info.width, heightPx: info.height };
  } catch {
    return { ok: false, message: "This is no picture, or it was cut off on the way. Nothing was kept." };
  }
}

/** Takes a picture of a client's eye, for members of the studio. */
export async function takePicture(request: Request, clientId: string): Promise<Response> {
  const member = await currentMember();
  if (!member) return refuse(401, "You are signed out. Sign in again.");
  if (!z.uuid().safeParse(clientId).success) return refuse(404, "This client is not in the studio.");
  const asked = querySchema.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!asked.success) return refuse(400, "Say whose eye it is, and whether it is open or closed.");
  const read = await readBody(request, MAX_BYTES);
  if (!read.ok) return refuse(413, "A picture of up to 16 MB is taken. Make it smaller and send it again.");
  const clean = await cleanPicture(read.body);
  if (!clean.ok) return refuse(422, clean.message);
  const id = randomUUID();
  const kept = await inStudio(member, async (tx) => {
    const known = await clientBehind(tx, clientId);
    if (!known) return false;
    const { jpeg, widthPx, heightPx } = clean;
    await tx
      .insert(picture)
      .values({ studioId: member.studioId, id, clientId: known.id, ...asked.data, jpeg, widthPx, heightPx, takenBy: member.id });
    return true;
  });
  return kept ? answer({ id }) : refuse(404, "This client is not in the studio.");
}

/** A kept picture, for members of its studio only; no cache keeps it. */
export async function givePicture(id: string): Promise<Response> {
  const member = await currentMember();
  if (!member) return refuse(401, "Signed out.");
  if (!z.uuid().safeParse(id).success) return refuse(404, "No such picture in this studio.");
  const [row] = await inStudio(member, (tx) => tx.select({ jpeg: picture.jpeg }).from(picture).where(eq(picture.id, id)));
  if (!row) return refuse(404, "No such picture in this studio.");
  return new Response(new Uint8Array(row.jpeg), {
    headers: { "content-type": "image/jpeg", "cache-control": "private, no-store", "content-disposition": "inline" },
  });
}
