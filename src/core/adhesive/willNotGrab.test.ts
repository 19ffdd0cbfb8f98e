import { willNotGrab, type GrabFacts } from ".";

describe("it will not grab: the trade's order, with what is known read off", () => {
  const well: GrabFacts = {
    primer: "oilyOnly",
    air: { fits: true, words: "22 °C, 50 %: inside its window." },
    bottle: { daysLeft: 12, old: false, name: "Slackwater, lot 1" },
    shakenS: 300,
    bead: { ageS: 200, lifeS: 900 },
    baseContact: { holds: true, words: "The base holds everywhere." },
  };
  test("the order is washed, rinsed, primed, dry, room, bottle, bead, amount, curl, under-wrap (common practice)", () => {
    expect(willNotGrab(well).map(({ id }) => id)).toEqual("washed rinsed primed dry room bottle bead amount curl underWrap".split(" "));
    expect(
      willNotGrab(well)
        .filter(({ state }) => state === "well")
        .map(({ id }) => id),
    ).toEqual(["room", "bottle", "bead", "curl"]);
  });
  test.each([
    ["room", { air: { fits: false, words: "" } }],
    ["bottle", { bottle: { daysLeft: -2, old: false, name: "" } }],
    ["bottle", { bottle: { daysLeft: 9, old: true, name: "" } }],
    ["bottle", { shakenS: 3000 }],
    ["bead", { bead: { ageS: 950, lifeS: 900 } }],
    ["curl", { baseContact: { holds: false, words: "" } }],
  ])("%s is found wrong by %j", (id, change) => {
    expect(
      willNotGrab({ ...well, ...change })
        .filter(({ state }) => state === "wrong")
        .map((check) => check.id),
    ).toEqual([id]);
  });
  test("what nobody knows is asked", () => {
    const asked = willNotGrab({ primer: "none", air: null, bottle: null, shakenS: null, bead: null, baseContact: null });
    expect(asked.every(({ state, says }) => state === "ask" && says.length > 8)).toBe(true);
  });
});
