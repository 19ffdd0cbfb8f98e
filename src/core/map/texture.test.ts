import { defaultPolicy } from "../policy";
import type { FibreKind } from "./schema";
import { spike, textureOf, textureWish, usualAccents, usualHybrid, usualUnder } from "./texture";
import type { Tray } from "./tray";

const tray = (curl: Tray["curl"], diameterMm: number, shape: Tray["shape"] = "round"): Tray => ({
  curl,
  diameterMm,
  shape,
  lengthsMm: [9, 10],
});
const classic: FibreKind = { curl: "C", diameterMm: 0.15, shape: "round", count: 1 };
const fan: FibreKind = { curl: "C", diameterMm: 0.05, shape: "round", count: 5 };
const trays = [tray("C", 0.15), tray("C", 0.07), tray("D", 0.05), tray("L", 0.07)];

describe("a spike", () => {
  test("is a closed fan of four of the curl's fine fibre, a single where nothing up to 0.07 is in stock", () => {
    expect(spike(classic, trays)).toEqual({ curl: "C", diameterMm: 0.07, shape: "round", count: 4, opening: "closed" });
    expect(spike(classic, [tray("C", 0.1), tray("D", 0.05), tray("C", 0.07, "flat")])).toEqual({ ...classic, count: 1 });
    expect(spike(fan, [])).toEqual({ ...fan, count: 1 });
  });
});

describe("accents to begin from", () => {
  const placed = (policy: Partial<typeof defaultPolicy>, fibre = classic) => usualAccents(fibre, { ...defaultPolicy, ...policy }, trays);
  test("stand over the base by the studio's figure, flat-base curls by two at most", () => {
    expect(placed({ accentOffsetMm: 4 }).offsetMm).toBe(4);
    for (const curl of ["L", "M"] as const) {
      expect(placed({ accentOffsetMm: 4 }, { ...classic, curl }).offsetMm).toBe(2);
      expect(placed({ accentOffsetMm: 1 }, { ...classic, curl }).offsetMm).toBe(1);
    }
  });
  test("one at a time to every so many; a cluster of three leaves a lash between", () => {
    expect(placed({ accentPlacing: "singles", accentEvery: 3 }).placing).toEqual({ every: 3, cluster: 1, innerEvery: 2 });
    expect(placed({ accentPlacing: "clusters", accentEvery: 3 }).placing).toEqual({ every: 4, cluster: 3, innerEvery: 2 });
    expect(placed({ accentPlacing: "clusters", accentEvery: 6 }).placing.every).toBe(6);
  });
});

describe("texture", () => {
  test("is read off the map", () => {
    const accents = usualAccents(classic, defaultPolicy, trays);
    expect(textureOf({ fibre: classic })).toBe("plain");
    expect(textureOf({ fibre: classic, accents })).toBe("wispy");
    expect(textureOf({ fibre: { ...fan, opening: "closed" }, accents })).toBe("wet");
    expect(textureOf({ fibre: { ...fan, opening: "wide" } })).toBe("plain");
    // A single cannot be closed.
    expect(textureOf({ fibre: { ...classic, opening: "closed" } })).toBe("plain");
  });
  test.each(["plain", "wispy", "wet"] as const)("a map made %s reads as it, from singles and from fans", (texture) => {
    for (const fibre of [classic, fan, { ...fan, opening: "closed" } as FibreKind])
      expect(textureOf(textureWish({ fibre }, texture, defaultPolicy, trays))).toBe(texture);
  });
  test("accents that are there stay as they were placed; wet closes their fans too, plain takes them off", () => {
    const accents = { ...usualAccents(classic, defaultPolicy, trays), offsetMm: 5, fibre: { ...fan, opening: "wide" as const } };
    expect(textureWish({ fibre: fan, accents }, "wispy", defaultPolicy, trays).accents).toEqual(accents);
    expect(textureWish({ fibre: fan, accents }, "wet", defaultPolicy, trays).accents).toEqual({
      ...accents,
      fibre: { ...fan, opening: "closed" },
    });
    expect(textureWish({ fibre: fan, accents }, "plain", defaultPolicy, trays).accents).toBeUndefined();
  });
  test("a wet look of singles is made of fans, of two where the shelf has no fine fibre", () => {
    expect(textureWish({ fibre: classic }, "wet", defaultPolicy, trays).fibre).toMatchObject({
      count: 4,
      diameterMm: 0.07,
      opening: "closed",
    });
    expect(textureWish({ fibre: classic }, "wet", defaultPolicy, []).fibre).toEqual({ ...classic, count: 2, opening: "closed" });
    expect(textureWish({ fibre: fan }, "wet", defaultPolicy, trays).fibre).toEqual({ ...fan, opening: "closed" });
  });
});

test("an under layer begins two below the base, in its fibre", () =>
  expect(usualUnder(fan)).toEqual({ belowMm: 2, sections: 4, fibre: fan }));

describe("a hybrid", () => {
  test("mixes fans into singles: of the same curl if there is one, the finest first", () => {
    expect(usualHybrid({ fibre: classic }, trays)).toEqual({
      fibre: { curl: "C", diameterMm: 0.07, shape: "round", count: 7 },
      share: 0.5,
      pattern: "alternate",
    });
    expect(usualHybrid({ fibre: { ...classic, curl: "J" } }, trays)!.fibre).toMatchObject({ curl: "D", diameterMm: 0.05 });
    expect(usualHybrid({ fibre: classic }, [tray("C", 0.07), tray("C", 0.03)])!.fibre.diameterMm).toBe(0.03);
    expect(usualHybrid({ fibre: classic }, [tray("C", 0.1)])).toBeNull();
  });
  test("mixes singles of 0.10 to 0.15 of the same curl into fans", () => {
    expect(usualHybrid({ fibre: fan }, trays)!.fibre).toEqual({ curl: "C", diameterMm: 0.15, shape: "round", count: 1 });
    expect(usualHybrid({ fibre: fan }, [tray("C", 0.1)])!.fibre.diameterMm).toBe(0.1);
    for (const unfit of [tray("D", 0.15), tray("C", 0.18), tray("C", 0.09)]) expect(usualHybrid({ fibre: fan }, [unfit])).toBeNull();
  });
});
