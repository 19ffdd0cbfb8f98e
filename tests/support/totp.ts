import { createHmac } from "node:crypto";

const ALPHABET = "ABCDEFGHIJKLMNOPQRSTUVWXYZ234567";
/** Base 32 as RFC 4648 has it. */
function bytesOf(secret: string): Buffer {
  const bits = [...secret.replace(/=+$/, "")].map((letter) => ALPHABET.indexOf(letter).toString(2).padStart(5, "0")).join("");
  return Buffer.from(bits.match(/.{8}/g)!.map((byte) => parseInt(byte, 2)));
}

/** The code of a moment, reckoned as RFC 6238 says, by nothing of the app's. */
export function codeAt(secret: Buffer | string, atMs: number, digits = 6): string {
  const key = typeof secret === "string" ? bytesOf(secret) : secret;
  const counter = Buffer.alloc(8);
  counter.writeBigUInt64BE(BigInt(Math.floor(atMs / 30_000)));
  const mac = createHmac("sha1", key).update(counter).digest();
  const offset = mac[19]! & 0xf;
  return String((mac.readUInt32BE(offset) & 0x7fffffff) % 10 ** digits).padStart(digits, "0");
}
