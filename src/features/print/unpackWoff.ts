import { inflateSync } from "node:zlib";

/** Bytes of a WOFF header and of one entry of its table directory; of the plain font's own (WOFF 1.0, W3C 2012, sections 3 and 4). */
const [WOFF_HEADER, WOFF_ENTRY, FONT_HEADER, FONT_ENTRY] = [44, 20, 12, 16];

/**
 * The plain font packed in a WOFF file. The library that embeds fonts unpacks a table anew each time it looks into one,
 * which made up nine tenths of a print; a plain font has nothing to unpack.
 */
export function unpackWoff(woff: Uint8Array): Uint8Array {
  const from = Buffer.from(woff.buffer, woff.byteOffset, woff.byteLength);
  if (from.toString("latin1", 0, 4) !== "wOFF") throw new Error("This is no WOFF file.");
  const count = from.readUInt16BE(12);
  const tables = Array.from({ length: count }, (_, i) => {
    const at = WOFF_HEADER + i * WOFF_ENTRY;
    const [offset, packed, length] = [4, 8, 12].map((field) => from.readUInt32BE(at + field)) as [number, number, number];
    const bytes = from.subarray(offset, offset + packed);
    return { tag: from.subarray(at, at + 4), checksum: from.readUInt32BE(at + 16), bytes: packed < length ? inflateSync(bytes) : bytes };
  });
  const header = Buffer.alloc(FONT_HEADER + count * FONT_ENTRY);
  from.copy(header, 0, 4, 8);
  header.writeUInt16BE(count, 4);
  const entries = 2 ** Math.floor(Math.log2(count));
  header.writeUInt16BE(entries * FONT_ENTRY, 6);
  header.writeUInt16BE(Math.log2(entries), 8);
  header.writeUInt16BE((count - entries) * FONT_ENTRY, 10);
  let offset = header.length;
  const parts: Uint8Array[] = [header];
  tables.forEach(({ tag, checksum, bytes }, i) => {
    const at = FONT_HEADER + i * FONT_ENTRY;
    tag.copy(header, at);
    [checksum, offset, bytes.length].forEach((value, field) => header.writeUInt32BE(value, at + 4 + field * 4));
    // Every table begins on a multiple of four.
    const padding = Buffer.alloc(-bytes.length & 3);
    parts.push(bytes, padding);
    offset += bytes.length + padding.length;
  });
  return Buffer.concat(parts);
}
