import { CURLS, type Curl, type CurlId } from "./curls";

export type CurlOverrides = { readonly [id in CurlId]?: Curl | undefined };

/** Geometry of a letter: the studio's own where it has one, else the working value. */
export function curlOf(id: CurlId, studio: CurlOverrides = {}): Curl {
  return studio[id] ?? CURLS[id];
}
