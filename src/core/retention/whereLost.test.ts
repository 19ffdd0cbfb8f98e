import { mulberry32 } from "../units";
import { lookedAtWith, nextLookWith, placesOf, whereLost, type CountedSet, type PlaceCounts } from ".";

/** A fill drawn: so many of 50 lost on each eye, by chance. */
function drawn(
  random: () => number,
  clientId: string,
  technicianId: string,
  lostRight: number,
  lostLeft: number,
  lostCorners = 0.3,
): PlaceCounts {
  const count = (lost: number, worn: number) => ({
    worn,
    left: Array.from({ length: worn }, () => random()).filter((chance) => chance >= lost).length,
  });
  return {
    clientId,
    technicianId,
    right: count(lostRight, 100),
    left: count(lostLeft, 100),
    corners: count(lostCorners, 50),
    rest: count(0.3, 150),
  };
}
function studio(seed: number, lostOf: (client: number) => readonly [number, number, number?], clients = 16): PlaceCounts[] {
  const random = mulberry32(seed);
  return Array.from({ length: clients * 6 }, (_, i) => {
    const client = i % clients;
    const [right, left, corners] = lostOf(client);
    return drawn(random, `client ${client}`, client % 2 ? "anna" : "berit", right, left, corners);
  });
}

describe("where losses lie", () => {
  test("one side of one client, told of the eye that lost more; others are left alone", () => {
    const { clients, technicians, corners } = whereLost(
      studio(3, (client) => (client === 2 ? [0.25, 0.5] : client === 5 ? [0.5, 0.25] : [0.3, 0.3])),
    );
    const found = clients.filter(({ isFound }) => isFound);
    expect(found.map(({ clientId, side }) => [clientId, side])).toEqual([
      ["client 2", "left"],
      ["client 5", "right"],
    ]);
    for (const { ratio, low, high, fills } of found) {
      expect(ratio).toBeGreaterThan(1.5);
      expect(low).toBeLessThan(ratio);
      expect(high).toBeGreaterThan(ratio);
      expect(fills).toBe(6);
    }
    expect(technicians.some(({ isFound }) => isFound)).toBe(false);
    expect(corners!.isFound).toBe(false);
  });
  test("one side of all clients of one hand, and not of the other's", () => {
    const { technicians } = whereLost(studio(4, (client) => (client % 2 ? [0.3, 0.45] : [0.35, 0.35])));
    expect(technicians.map(({ technicianId, side, isFound }) => [technicianId, isFound && side])).toEqual([
      ["berit", false],
      ["anna", "left"],
    ]);
    expect(technicians[1]!.clients).toBe(8);
    expect(technicians[1]!.ratio).toBeGreaterThan(1.3);
  });
  test("corners beside the rest, over all clients", () => {
    const { corners } = whereLost(studio(5, () => [0.3, 0.3, 0.5]));
    expect(corners).toMatchObject({ isFound: true, clients: 16 });
    expect(corners!.ratio).toBeGreaterThan(1.4);
    expect(whereLost(studio(5, () => [0.3, 0.3, 0.5], 7)).corners).toBeNull();
  });
  test("where nothing matters, hardly anything is found", () => {
    const studios = Array.from({ length: 40 }, (_, seed) => whereLost(studio(100 + seed, () => [0.35, 0.35])));
    const finds = ({ clients, technicians, corners }: (typeof studios)[number]) =>
      [...clients, ...technicians, corners!].some(({ isFound }) => isFound);
    expect(studios.filter(finds).length).toBeLessThanOrEqual(6);
  });
  test("more left than had been on, nothing counted, one fill: nothing is told", () => {
    const odd = studio(6, () => [0.3, 0.6]).map((set) => ({ ...set, right: { left: 120, worn: 100 } }));
    expect(whereLost(odd)).toEqual({ clients: [], technicians: [], corners: null });
    expect(whereLost([])).toEqual({ clients: [], technicians: [], corners: null });
    expect(whereLost(studio(7, () => [0.3, 0.3]).slice(0, 1)).clients).toEqual([]);
    // Nobody lost anything anywhere: half a lash keeps it a ratio, of one.
    const none = studio(8, () => [0, 0, 0]).map((set) => ({ ...set, rest: { left: 150, worn: 150 } }));
    expect(whereLost(none).technicians.every(({ isFound }) => !isFound)).toBe(true);
  });
});

test("zones are told by eye, and by lying wholly in a corner", () => {
  const zone = (side: "right" | "left", number: number, from: number, to: number, left: number) => ({
    setVisitId: "set",
    side,
    layer: 0,
    zone: number,
    from,
    to,
    left,
  });
  const worn = [1, 2, 3].flatMap((zone) =>
    (["right", "left"] as const).map((side) => ({ side, layer: 0, zone, singles: 10, fans: 0, isKnown: true })),
  );
  const set = { visitId: "set", technicianId: "t", placedAtMs: 0, worn: { version: 2, zones: worn } } as unknown as CountedSet;
  const found = {
    countedAtMs: 1,
    zones: [zone("right", 1, 0, 0.1, 4), zone("right", 2, 0.1, 0.9, 7), zone("left", 3, 0.9, 1, 5), zone("left", 2, 0.05, 0.95, 9)],
    since: { washesAWeek: null, oil: null, steam: null, cried: null, sleepsOn: null },
    off: 0,
    hurt: 0,
  };
  expect(placesOf({ clientId: "c", found }, set)).toEqual({
    clientId: "c",
    technicianId: "t",
    right: { left: 11, worn: 20 },
    left: { left: 14, worn: 20 },
    corners: { left: 9, worn: 20 },
    rest: { left: 16, worn: 20 },
  });
});

test.each([
  [29, null, 30],
  [30, 30, 45],
  [44, 30, 45],
  [45, 45, 68],
  [120, 102, 153],
  [541, 518, 777],
])("with %i fills a studio is looked at with the first %s, and next with %i", (fills, at, next) => {
  expect(lookedAtWith(fills)).toBe(at);
  expect(nextLookWith(fills)).toBe(next);
});
