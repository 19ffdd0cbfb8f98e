import { cat } from "./cat";
import { doll } from "./doll";
import { flatLiner } from "./flatLiner";
import type { LookId } from "./ids";
import type { Look } from "./look";
import { natural } from "./natural";
import { squirrel } from "./squirrel";

/** A new look is a new file and one line here (and its id in ids.ts). */
export const LOOKS: Readonly<Record<LookId, Look>> = { natural, doll, squirrel, cat, flatLiner };
export type { Look };
export { LOOK_IDS, type LookId } from "./ids";
