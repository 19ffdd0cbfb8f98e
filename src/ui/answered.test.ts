import { answered, noAnswer } from "./answered";

test("what the server answers comes through as it is, a refusal too", async () => {
  const refused = { ok: false as const, message: "Give it a name.", fields: { name: "Give it a name." } };
  expect(await answered(Promise.resolve(refused), "What you typed is still here.")).toBe(refused);
  expect(await answered(Promise.resolve({ ok: true as const, data: 7 }))).toEqual({ ok: true, data: 7 });
});
test("silence is a refusal like any other, in the one set of words, with what was not lost", async () => {
  const silent = () => Promise.reject(new TypeError("Failed to fetch"));
  expect(await answered(silent(), "Your plan is still here.")).toEqual({
    ok: false,
    message: "The server did not answer. Your plan is still here.",
    fields: {},
    unanswered: true,
  });
  expect(noAnswer()).toBe("The server did not answer. Try again.");
});
