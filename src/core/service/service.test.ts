import { defaultPolicy } from "../policy";
import { familiesOf, shippedProtocols } from "../protocol";
import { AFTERCARE_LINES, CLIENT_SERVICES, isByProtocol, PROTOCOL_SERVICES, SERVICE_IDS, serviceOf, SET_SERVICES, visitMinutes } from ".";

test("every service says what it is worked by, what it counts as, what goes home, how long it takes", () => {
  for (const id of SERVICE_IDS) {
    const service = serviceOf(id);
    expect([id, service.label.length > 2, service.usualMinutes >= 15, service.parts.length > 0]).toEqual([id, true, true, true]);
    if (!service.onClient) continue;
    expect([id, (AFTERCARE_LINES[service.aftercare!]?.length ?? 0) > 0, service.counts.length > 0, service.consultation !== null]).toEqual([
      id,
      true,
      true,
      true,
    ]);
    // What it does, it does to a part that it is for; and what touches a client has an age.
    for (const { part } of service.counts) expect([id, service.parts.includes(part)]).toEqual([id, true]);
    if (service.families.length > 0) expect([id, service.leastAge !== null]).toEqual([id, true]);
  }
  expect(new Set(SERVICE_IDS.map((id) => serviceOf(id).label)).size).toBe(SERVICE_IDS.length);
});
test("services worked by a protocol have one, with the families that it touches the client with", () => {
  expect([...PROTOCOL_SERVICES].sort()).toEqual(Object.keys(shippedProtocols).sort());
  for (const id of PROTOCOL_SERVICES)
    expect([id, [...familiesOf(shippedProtocols[id](defaultPolicy))].sort()]).toEqual([id, [...serviceOf(id).families].sort()]);
  expect(SET_SERVICES).toEqual(["newSet", "fill"]);
  expect(CLIENT_SERVICES.filter((id) => !isByProtocol(id))).toEqual(["newSet", "fill"]);
});

describe("minutes proposed for a visit", () => {
  const known = { client: [], technician: [], map: null, usual: 90 };
  test("this client's own before the map, the map before the hand, the hand before the usual", () => {
    expect(visitMinutes(known)).toEqual({ minutes: 90, from: "usual" });
    expect(visitMinutes({ ...known, technician: [100, 104] })).toEqual({ minutes: 90, from: "usual" });
    expect(visitMinutes({ ...known, technician: [100, 104, 140] })).toEqual({ minutes: 105, from: "technician" });
    expect(visitMinutes({ ...known, technician: [100, 104, 140], map: 100 })).toEqual({ minutes: 150, from: "map" });
    expect(visitMinutes({ ...known, client: [61], map: 100 })).toEqual({ minutes: 60, from: "client" });
    expect(visitMinutes({ ...known, client: [63] }).minutes).toBe(75);
  });
  test("the last five count, by their middle; a slip of a tap proposes no minute and no night", () => {
    expect(visitMinutes({ ...known, client: [300, 300, 300, 90, 90, 90, 90, 90] }).minutes).toBe(90);
    expect(visitMinutes({ ...known, client: [1] }).minutes).toBe(15);
    expect(visitMinutes({ ...known, client: [2000] }).minutes).toBe(480);
  });
});
