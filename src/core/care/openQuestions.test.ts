import { NOTHING_SO, openQuestions } from ".";

const asked = (part: Partial<typeof NOTHING_SO> = {}, none = {}) => openQuestions({ ...NOTHING_SO, ...part }, none, ["eyes", "health"]);

test("nothing is answered for anybody: all groups are open at first", () =>
  expect(asked()).toEqual(["eyes", "health", "operation", "allergies", "elsewhere"]));

test.each([
  ["a condition", { conditions: ["inflamed" as const] }, "eyes"],
  ["an operation", { operation: { what: "lids", on: null, releasedOn: null } }, "operation"],
  ["an allergy", { allergies: ["acrylate" as const] }, "allergies"],
  ["an allergy in words", { otherAllergies: "nickel" }, "allergies"],
  ["something elsewhere", { elsewhere: [{ treatment: "extensions" as const, part: "lashes" as const, on: null }] }, "elsewhere"],
])("%s answers its own group and no other", (_, part, group) => expect(asked(part)).toEqual(asked().filter((one) => one !== group)));

test("blanks are no allergy", () => expect(asked({ otherAllergies: "  " })).toContain("allergies"));
test("“none of these” answers a group; taken back it is open again", () => {
  expect(asked({}, { eyes: true, allergies: true })).toEqual(["health", "operation", "elsewhere"]);
  expect(asked({}, { eyes: false })).toContain("eyes");
});
