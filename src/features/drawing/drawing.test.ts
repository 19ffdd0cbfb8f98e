import { CURLS } from "@/core/curl";
import { drawnLash, drawnNaturals, fieldOf, lashField, lidOutline, SIDES, usualSurvey } from "@/core/eye";
import { VIEWS } from "@/core/map";
import { lashPath, linePath } from "./lashPath";
import { layPlate } from "./plate";

const survey = { ...usualSurvey(), eyes: { right: usualSurvey().eyes.right, left: { ...usualSurvey().eyes.left, lashLineMm: 30 } } };

test.each(VIEWS)("seen %s: both eyes at one scale, side by side within the sheet, inner corners towards the nose", (view) => {
  const plate = layPlate(survey, view, 900, null);
  for (const place of plate.eyes) {
    const line = survey.eyes[place.side].lashLineMm;
    expect(Math.abs(place.lineX(line) - place.lineX(0))).toBeCloseTo(line * plate.pxPerMm, 6);
    expect(Math.abs(place.lineX(0) - plate.noseX!)).toBeLessThan(Math.abs(place.lineX(line) - plate.noseX!));
    expect(place.from).toBeGreaterThan(0);
    expect(place.to).toBeLessThan(900);
  }
  expect(plate.eyes[0]!.to).toBeLessThan(plate.noseX!);
  expect(plate.eyes[1]!.from).toBeGreaterThan(plate.noseX!);
});

test("from the bed head the sheet is the facing one turned half round", () => {
  const [facing, bed] = VIEWS.map((view) => layPlate(survey, view, 900, null));
  for (const side of SIDES) {
    const [facingPlace, there] = [facing!, bed!].map((plate) => plate.eyes.find((place) => place.side === side)!);
    for (const point of [
      [0, 0],
      [10, 8],
      [27, -2],
    ] as const) {
      const [[x1, y1], [x2, y2]] = [facingPlace!.point(point), there!.point(point)];
      expect(x1 + x2).toBeCloseTo(900, 6);
      expect(y1 + y2).toBeCloseTo(facing!.eyeBottom, 6);
    }
  }
});

test.each(["down", "level", "up"] as const)("no lash that grows %s is cut off at the top, bare or worn, whichever way up", (direction) => {
  const eye = (side: "right" | "left") => ({
    ...survey.eyes[side],
    points: survey.eyes[side].points.map((point) => ({ ...point, direction, lengthMm: 11.5, ownCurl: "curly" as const })),
  });
  const grown = { ...survey, eyes: { right: eye("right"), left: eye("left") } };
  for (const view of VIEWS)
    for (const bare of [true, false]) {
      const plate = layPlate(grown, view, 900, null, bare);
      for (const place of plate.eyes) {
        const lid = lidOutline(grown.eyes[place.side]);
        const field = fieldOf(grown, place.side);
        const worn = { curl: "D" as const, lengthMm: 14, diameterMm: 0.1, shape: "round" as const, count: 1 };
        const lashes = bare ? drawnNaturals(field, lid) : field.flatMap((lash) => drawnLash(lash, worn, CURLS.D, lid.pointAt(lash.at)));
        for (const y of [...lashes.flatMap(({ points }) => points), ...lid.crease].map((point) => place.point(point)[1])) {
          expect(y).toBeGreaterThan(0);
          expect(y).toBeLessThan(plate.eyeBottom);
        }
      }
    }
});

test("on a narrow sheet one eye fills it", () => {
  const plate = layPlate(survey, "facing", 340, "left");
  expect(plate.eyes.map(({ side }) => side)).toEqual(["left"]);
  expect(plate.noseX).toBeNull();
  expect(plate.pxPerMm).toBeGreaterThan(layPlate(survey, "facing", 340, null).pxPerMm);
});

test("every lash is drawn as a closed sliver of real numbers, rooted on its lid", () => {
  const plate = layPlate(survey, "facing", 900, null);
  const place = plate.eyes[0]!;
  const lid = lidOutline(survey.eyes[place.side]);
  const fan = { curl: "L" as const, lengthMm: 11, diameterMm: 0.05, shape: "round" as const, count: 5 };
  for (const lash of lashField(survey.eyes[place.side], 2).flatMap((grown) => drawnLash(grown, fan, CURLS.L, lid.pointAt(grown.at)))) {
    const path = lashPath(lash, place, plate.pxPerMm);
    expect(path).toMatch(/^M[\d. L-]+Z$/);
    const [x, y] = path.slice(1).split(/[L ]/).map(Number) as [number, number];
    const [rx, ry] = place.point(lash.points[0]!);
    expect(Math.hypot(x - rx, y - ry)).toBeLessThan(2);
  }
  expect(
    linePath(
      [
        [0, 0],
        [1, 1],
      ],
      place,
    ),
  ).toMatch(/^M[\d.-]+ [\d.-]+L[\d.-]+ [\d.-]+$/);
});
