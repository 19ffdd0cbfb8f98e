import { byField, lastName } from "./byField";

const wrong = (message: string) => ({ type: "too_small", message, ref: undefined });

test("errors, however deep, stand at the field of their last name", () =>
  expect(byField({ name: wrong("a"), document: { packG: wrong("b"), ready: { peroxide: wrong("c") } } }, lastName)).toEqual({
    name: { type: "schema", message: "a" },
    packG: { type: "schema", message: "b" },
    peroxide: { type: "schema", message: "c" },
  }));

test("or where the form says; of two at one field the first counts", () =>
  expect(byField({ geometry: { turnDeg: wrong("first"), baseMm: wrong("second") } }, () => "curl")).toEqual({
    curl: { type: "schema", message: "first" },
  }));

test("of a list, each place; what is no error is passed over", () =>
  expect(byField({ rows: [undefined, { day: wrong("no day") }], ref: wrong("never") }, (path) => path)).toEqual({
    "rows.1.day": { type: "schema", message: "no day" },
  }));
