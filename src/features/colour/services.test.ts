import { defaultPolicy } from "@/core/policy";
import { SERVICE_KINDS, type ServiceKind } from "@/core/protocol";
import { SERVICE_OF, SERVICES } from "@/db/schema/visit";
import { familiesFor } from "./families";
import { KIND_OF, SET_SERVICES } from "./services";

test("every service kind has a visit's name, and the name leads back to it", () => {
  for (const kind of Object.keys(SERVICE_KINDS) as ServiceKind[]) expect(KIND_OF[SERVICE_OF[kind]]).toBe(kind);
  expect(Object.keys(KIND_OF)).toHaveLength(Object.keys(SERVICE_KINDS).length);
});
test("a visit is worked from a map or by a protocol, never by both, never by neither", () => {
  expect(SET_SERVICES).toEqual(["new set", "fill"]);
  for (const service of SERVICES) expect(SET_SERVICES.includes(service)).toBe(KIND_OF[service] === undefined);
});
test("each service asks for the patch tests of what it puts on", () => {
  const families = (service: (typeof SERVICES)[number]) => [...familiesFor(service, defaultPolicy)].sort();
  expect(families("fill")).toEqual(["adhesive"]);
  expect(families("lift")).toEqual(["lotion"]);
  expect(families("lift and tint")).toEqual(["lotion", "tint"]);
  expect(families("brow lightening")).toEqual(["lightener", "tint"]);
  expect(families("removal")).toEqual([]);
});
