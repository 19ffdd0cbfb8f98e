import { CURLS } from "@/core/curl";
import { closedEye, openEye, roomOfOpenEyes, wornBlades } from "@/core/drawing";
import { fieldOf, SIDES, usualSurvey } from "@/core/eye";
import { padZones, planMap } from "@/core/map";
import { defaultPolicy } from "@/core/policy";
import { lengthsFrom, trayOf } from "../../../tests/support/surveys";
import { lookOn, padOutline } from "./lashesOnPlate";
import { layPlate } from "./plate";

const survey = { ...usualSurvey(), eyes: { right: usualSurvey().eyes.right, left: { ...usualSurvey().eyes.left, lashLineMm: 30 } } };
const VIEWS = ["mirror", "pad"] as const;

test.each(VIEWS)("%s: both lash lines at one scale, side by side within the sheet, inner corners towards the nose", (view) => {
  const plate = layPlate(survey, view, 900);
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

test("in the mirror the client's right is on the left, on the pad on the right: the lines under them change over as well", () => {
  expect(VIEWS.map((view) => layPlate(survey, view, 900).eyes.map(({ side }) => side))).toEqual([
    ["right", "left"],
    ["left", "right"],
  ]);
});

test("eyes alike are drawn as mirror images of each other about the nose", () => {
  const alike = usualSurvey();
  for (const view of VIEWS) {
    const plate = layPlate(alike, view, 900);
    for (const point of [
      [0, 0],
      [10, 8],
      [26, -2],
    ] as const) {
      const [[x1, y1], [x2, y2]] = plate.eyes.map((place) => place.point(point)) as [[number, number], [number, number]];
      expect(x1 + x2).toBeCloseTo(2 * plate.noseX!, 6);
      expect(y1).toBeCloseTo(y2, 9);
    }
  }
});

test("lashes that leave far outwards stand within the sheet, and leave the scale of an ordinary eye alone", () => {
  const outwards = (eye: (typeof survey.eyes)["right"]) => ({ ...eye, points: eye.points.map((point) => ({ ...point, splayDeg: 75 })) });
  const splayed = { ...survey, eyes: { right: outwards(survey.eyes.right), left: outwards(survey.eyes.left) } };
  const ordinary = layPlate(survey, "mirror", 900);
  expect(ordinary.pxPerMm).toBeGreaterThan(900 / (29 + 30 + 10 + 14));
  const plate = layPlate(splayed, "mirror", 900);
  for (const place of plate.eyes) {
    const worn = fieldOf(splayed, place.side).map((lash) => ({
      lash,
      fibre: {
        curl: "J" as const,
        diameterMm: 0.15,
        shape: "round" as const,
        count: 1,
        lengthMm: lash.lengthMm + (lash.at > 0.8 || lash.at < 0.2 ? 1 : 3),
      },
    }));
    const xs = wornBlades(worn, { curlOf: () => CURLS.J, offsetMm: 1 }, lookOn(plate, splayed, place))
      .flatMap(({ points }) => points)
      .map((p) => place.point(p)[0]);
    expect(Math.min(...xs)).toBeGreaterThan(0);
    expect(Math.max(...xs)).toBeLessThan(900);
  }
});

test("in the mirror lashes rise, on the pad they lie away from who works; both stand within the sheet", () => {
  const map = planMap(
    survey,
    {
      title: "a map",
      look: "squirrel",
      school: { id: "browPeak" },
      fibre: { curl: "C", diameterMm: 0.15, shape: "round", count: 1 },
      longestMm: null,
      coupling: "mirrored",
    },
    defaultPolicy,
    [trayOf(lengthsFrom(5, 14))],
  )!.map;
  for (const width of [340, 900, 1240])
    for (const only of width < 400 ? SIDES : [null]) {
      const plate = layPlate(survey, "pad", width, { only, longestMm: 14 });
      for (const place of plate.eyes) {
        const closed = closedEye(survey.eyes[place.side]);
        expect(place.point(closed.point(0.5, 9))[1]).toBeLessThan(place.point(closed.point(0.5, 0))[1]);
        const out = Math.sign(place.lineX(1) - place.lineX(0));
        const edge = padZones(survey, map, place.side, 0, "facing", 14).padEdge;
        for (const [x] of edge) {
          const [px, py] = place.point([Math.abs(x), 0]);
          expect(px).toBeGreaterThan(0);
          expect(px).toBeLessThan(width);
          expect(py).toBeLessThan(plate.eyeBottom);
        }
        expect(Math.sign(place.point([5, 0])[0] - place.point([0, 0])[0])).toBe(out);
        // It fills its half of the sheet, or is no larger than the lash lines of an open eye.
        const wide = (2 * Math.max(...edge.map(([x]) => Math.abs(x))) * place.pxPerMm) / (width / plate.eyes.length);
        expect(wide > 0.8 || place.pxPerMm === plate.pxPerMm).toBe(true);
      }
    }
  const mirror = layPlate(survey, "mirror", 900);
  for (const place of mirror.eyes) {
    const eye = openEye(survey.eyes[place.side]);
    const [x, y] = eye.marginAt(0.5);
    expect(place.point([x, y + 6])[1]).toBeLessThan(place.point([x, y])[1]);
    // The open eye stands over the middle of its line.
    const middle = (place.point([0, 0])[0] + place.point([eye.widthMm, 0])[0]) / 2;
    expect(middle).toBeCloseTo((place.from + place.to) / 2, 6);
  }
});

test.each([340, 900, 1240])(
  "at %d px brow and lower lid, longest fibre and closed lid stand on the sheet, and a view turned keeps its height",
  (width) => {
    const only = width < 400 ? "right" : null;
    const { aboveMm, belowMm } = roomOfOpenEyes(survey);
    const [mirror, pad] = VIEWS.map((view) => layPlate(survey, view, width, { only }));
    expect(mirror!.eyeBottom).toBeCloseTo(pad!.eyeBottom, 9);
    for (const place of mirror!.eyes) {
      expect(place.point([0, aboveMm])[1]).toBeCloseTo(0, 6);
      expect(place.point([0, -belowMm])[1]).toBeLessThanOrEqual(mirror!.eyeBottom + 1e-9);
    }
    for (const place of pad!.eyes) {
      const closed = closedEye(survey.eyes[place.side]);
      expect(place.point(closed.point(0.5, 14 + 11))[1]).toBeGreaterThan(0);
      expect(place.point(closed.point(0.5, 14 + 11))[1]).toBeLessThan(2 * place.pxPerMm);
      expect(place.point([0, -closed.lashLineMm / 2])[1]).toBeLessThan(pad!.eyeBottom);
    }
  },
);

test("a pad that no map lies on is deeper than the longest fibre it has room for; one under a map is as deep as its lengths need", () => {
  const deepest = (points: readonly (readonly [number, number])[]) => Math.max(...points.map(([, y]) => y));
  expect(deepest(padOutline(survey, null, "right", 14))).toBeGreaterThan(14 + 3);
  const { right } = survey.eyes;
  const closed = closedEye(right);
  const [inner, outer] = [padOutline(survey, null, "right", 14)[0]!, padOutline(survey, null, "right", 14).at(48)!];
  // A twentieth past both corners, a millimetre under the lid's edge there, 5 mm past the longest fibre on the other side.
  expect(inner).toEqual(closed.point(-0.05, -1));
  expect(outer).toEqual(closed.point(1.05, -1));
  expect(padOutline(survey, null, "right", 14).at(-1)).toEqual(closed.point(-0.05, 19));
  expect(deepest(padOutline(survey, null, "right", 18))).toBeCloseTo(deepest(padOutline(survey, null, "right", 14)) + 4, 6);
});

test("on a narrow sheet one eye fills it", () => {
  const plate = layPlate(survey, "mirror", 340, { only: "left" });
  expect(plate.eyes.map(({ side }) => side)).toEqual(["left"]);
  expect(plate.noseX).toBeNull();
  expect(plate.pxPerMm).toBeGreaterThan(layPlate(survey, "mirror", 340).pxPerMm);
  // It stands in the middle, with the same margin to either side.
  expect(plate.eyes[0]!.from).toBeCloseTo(340 - plate.eyes[0]!.to, 6);
});
