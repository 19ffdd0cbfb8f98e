import { mapProfile } from "./profile";
import type { LashMap } from "./schema";

const zone = (lengthMm: number) => ({ lengthMm });
const eye = (boundaries: number[], zones: (ReturnType<typeof zone> | null)[]) => ({ layers: [{ role: "base", boundaries, zones }] });

test("a map's profile is its base layer, zone by zone from the inner corner; what stays bare is left out", () => {
  const map = { eyes: { right: eye([0, 0.2, 0.7, 1], [null, zone(11), zone(9)]), left: eye([0, 1], [zone(8)]) } } as unknown as LashMap;
  expect(mapProfile(map)).toEqual({
    right: [
      [0.2, 0.7, 11],
      [0.7, 1, 9],
    ],
    left: [[0, 1, 8]],
  });
});
