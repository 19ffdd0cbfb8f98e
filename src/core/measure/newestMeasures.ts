import type { Side } from "../eye";
import type { Measured } from "./fillSurvey";
import type { PictureMarks } from "./marks";
import { measureClosed } from "./measureClosed";
import { measureOpen } from "./measureOpen";

export type MarkedPicture = { readonly side: Side; readonly kind: "open" | "closed"; readonly marks: PictureMarks };

/** What is measured of each eye, open and closed: by the first of the pictures, newest first, whose marks say anything. */
export function newestMeasures(pictures: readonly MarkedPicture[], ownCurlDeg: number): Measured {
  const of = (side: Side): Measured[Side] => {
    const marked = (kind: MarkedPicture["kind"]) => pictures.filter((one) => one.side === side && one.kind === kind);
    const [open] = marked("open").flatMap(({ marks }) => {
      const measure = measureOpen(marks);
      return "problem" in measure ? [] : [measure];
    });
    const [closed] = marked("closed").flatMap(({ marks }) => {
      const measure = measureClosed(marks, ownCurlDeg);
      return "problem" in measure || measure.lashLineMm === null ? [] : [measure];
    });
    return { ...(open ? { open } : {}), ...(closed ? { closed } : {}) };
  };
  return { right: of("right"), left: of("left") };
}
