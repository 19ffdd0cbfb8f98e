import "server-only";
import { randomInt } from "node:crypto";
import { MOST_SEED } from "@/core/eye";

/** A seed for a client's first survey; later surveys carry it on. */
export const newSeed = () => randomInt(MOST_SEED);
