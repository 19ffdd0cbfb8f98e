import { CURLS, type Curl } from "../curl";
import { drawnNaturals, fieldOf, lidOutline, roomAboveMm, sideLabel, type Side, type Survey } from "../eye";
import { FIBRE_COLOURS, type Fibre } from "../lash";
import { drawnZone, eyesInView, landmarksOf, lashesByZone, placements, VIEW_LABELS, type LashMap, type View } from "../map";

const GAP_MM = 12;
const FOOT_MM = 11;
const HEAD_CLEAR_MM = 1;

/**
 * Both eyes as an SVG of true millimetres (width and height in mm): lids, irises, natural lashes and extensions, which
 * eye is which, and the nose. From the bed head the whole is turned half round and the words kept upright.
 */
export function eyesSvg(
  survey: Survey,
  map: LashMap,
  view: View,
  options: { curlOf?: (fibre: Fibre) => Curl; ink?: string; paper?: string } = {},
): string {
  const { curlOf = (fibre) => CURLS[fibre.curl], ink = FIBRE_COLOURS.black.ink, paper = "#F6F2E9" } = options;
  const lidOf = (side: Side) => lidOutline({ ...survey.eyes[side], landmarks: landmarksOf(map, survey, side) });
  const lids = { right: lidOf("right"), left: lidOf("left") };
  const headroomMm = roomAboveMm(survey) + HEAD_CLEAR_MM;
  const spaceMm = GAP_MM * 2;
  const width = lids.right.widthMm + lids.left.widthMm + spaceMm + 30;
  const height = headroomMm + FOOT_MM;
  // Drawn facing: client's right on the left of the picture, its x running towards the nose.
  const place: Record<Side, (p: readonly [number, number]) => [number, number]> = {
    right: ([x, y]) => [15 + lids.right.widthMm - x, headroomMm - y],
    left: ([x, y]) => [15 + lids.right.widthMm + spaceMm + x, headroomMm - y],
  };
  const path = (side: Side, points: readonly (readonly [number, number])[]) =>
    points
      .map(
        (p, i) =>
          `${i ? "L" : "M"}${place[side](p)
            .map((v) => v.toFixed(2))
            .join(" ")}`,
      )
      .join("");

  const eye = (side: Side) => {
    const lid = lids[side];
    const [ix, iy] = place[side]([lid.iris.x, lid.iris.y]);
    const clip = `opening-${side}`;
    const opening = `${path(side, lid.upper)}${path(side, [...lid.lower].reverse()).replace("M", "L")}Z`;
    const placed = placements(map, survey, side);
    const stroke = (lash: { widthMm: number; points: readonly (readonly [number, number])[] }, more = "") =>
      `<path d="${path(side, lash.points)}" stroke-width="${lash.widthMm.toFixed(3)}"${more}/>`;
    const naturals = drawnNaturals(fieldOf(survey, side), lid)
      .map((lash) => stroke(lash, ' opacity=".45"'))
      .join("");
    const extensions = lashesByZone(placed)
      .map((zone) => {
        const colour = zone.worn[0]!.fibre.colour;
        const fibres = drawnZone(zone, lid, curlOf).map((lash) => stroke(lash));
        return `<g${colour && colour !== "black" ? ` stroke="${FIBRE_COLOURS[colour].ink}"` : ""}>${fibres.join("")}</g>`;
      })
      .join("");
    const lashes = naturals + extensions;
    return (
      `<clipPath id="${clip}"><path d="${opening}"/></clipPath>` +
      `<path d="${opening}" fill="#FDFBF5" stroke="none"/>` +
      `<g clip-path="url(#${clip})"><circle cx="${ix.toFixed(2)}" cy="${iy.toFixed(2)}" r="${lid.iris.radius.toFixed(2)}" fill="#C4C9B5" stroke="${ink}" stroke-width=".15"/>` +
      `<circle cx="${ix.toFixed(2)}" cy="${iy.toFixed(2)}" r="${(lid.iris.radius * 0.42).toFixed(2)}" fill="${ink}" stroke="none"/></g>` +
      `<path d="${path(side, lid.lower)}" stroke-width=".12" opacity=".5"/><path d="${path(side, lid.crease)}" stroke-width=".12" opacity=".5"/>` +
      `<path d="${path(side, lid.upper)}" stroke-width=".25"/>${lashes}`
    );
  };
  const noseX = 15 + lids.right.widthMm + spaceMm / 2;
  const drawing =
    eye("right") +
    eye("left") +
    `<path d="M${noseX.toFixed(2)} ${headroomMm - 2}V${headroomMm + 5}q0 1 1.4 1" stroke-width=".2" opacity=".6"/>`;
  const [first, second] = eyesInView(view);
  const word = (x: number, text: string) =>
    `<text x="${x.toFixed(2)}" y="${(height + 3).toFixed(2)}" font-size="2.6" text-anchor="middle" fill="${ink}" font-family="sans-serif">${text}</text>`;
  const turned = view === "bedHead" ? ` transform="rotate(180 ${(width / 2).toFixed(2)} ${(height / 2).toFixed(2)})"` : "";
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width.toFixed(2)}mm" height="${height + 6}mm" viewBox="0 0 ${width.toFixed(2)} ${height + 6}" role="img">` +
    `<title>Lash map, ${VIEW_LABELS[view]}</title><rect width="100%" height="100%" fill="${paper}"/>` +
    `<g fill="none" stroke="${ink}" stroke-linecap="round" stroke-linejoin="round"${turned}>${drawing}</g>` +
    word(width * 0.24, sideLabel(first)) +
    word(width / 2, "nose") +
    word(width * 0.76, sideLabel(second)) +
    `</svg>\n`
  );
}
