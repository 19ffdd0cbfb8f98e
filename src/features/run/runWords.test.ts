import { defaultPolicy } from "@/core/policy";
import { EMPTY_RUN, type RunPlan, type RunState } from "@/core/processing";
import { processSteps, shippedProtocols } from "@/core/protocol";
import { nowWords, soonWords, tapWords } from "./runWords";

const protocol = shippedProtocols.liftTint({ ...defaultPolicy });
const run: RunState = { ...EMPTY_RUN, plan: { protocol, seconds: {}, areas: ["lashRight", "lashLeft"] } as unknown as RunPlan };
const [step1] = processSteps(protocol);
const tint = processSteps(protocol).find(({ product }) => product === "tint")!;
const task = protocol.steps.find((step) => step.kind !== "process")!;

describe("the next tap in words", () => {
  test("first touch says where it goes, and that tips stay free", () => {
    const next = { kind: "coat", stepId: step1!.id, area: "lashRight" } as const;
    expect(tapWords(run, next)).toBe("First touch, right");
    expect(nowWords(run, next)).toBe("Step 1 onto the right lashes, root to middle, never the tips. Its clock begins at first touch.");
    const tinted = { kind: "coat", stepId: tint.id, area: "lashLeft" } as const;
    expect(nowWords(run, tinted)).not.toMatch(/tips|root/);
  });
  test("what is due is told how it comes off; what is waited for, what follows", () => {
    expect(tapWords(run, { kind: "wipe", stepId: step1!.id, area: "lashLeft" })).toBe("Left wiped off");
    expect(nowWords(run, { kind: "wipe", stepId: step1!.id, area: "lashLeft" })).toBe(step1!.removal);
    const wait = { kind: "wait", stepId: step1!.id, area: "lashRight", leftS: 83.2 } as const;
    expect(tapWords(run, wait)).toBe("Right off now");
    expect(nowWords(run, wait).toLowerCase()).toBe(`then ${step1!.removal.toLowerCase()}`);
    expect(soonWords(run, wait)).toBe("Right off in 1:24");
  });
  test("an untimed step names what must be seen; from elsewhere its name is enough", () => {
    const next = { kind: "task", stepId: task.id } as const;
    expect(tapWords(run, next)).toBe("Done");
    expect(nowWords(run, next)).toBe((task as { checks: string[] }).checks.join(". "));
    expect(soonWords(run, next)).toBe(task.name);
  });
  test("mixing, the batch, the end", () => {
    expect(tapWords(run, { kind: "mix", stepId: tint.id })).toBe(`Mix: ${tint.name}`);
    expect(nowWords(run, { kind: "mix", stepId: tint.id })).toMatch(/only now/);
    expect(tapWords(run, { kind: "batch", stepId: step1!.id })).toBe("Which batch: step 1");
    expect(nowWords(run, { kind: "batch", stepId: step1!.id })).toMatch(/nothing can be traced/);
    expect([tapWords(run, { kind: "done" }), soonWords(run, { kind: "done" })]).toEqual(["All is off", "All is off"]);
  });
});
