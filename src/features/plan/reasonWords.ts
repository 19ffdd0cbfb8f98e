import type { StepProposal } from "@/core/processing";
import { bringsBack, type ProcessStep } from "@/core/protocol";
import { formatClock, sentence } from "@/core/units";

const FACTORS: Record<StepProposal["planned"]["because"][number]["what"], string> = {
  fine: "fine hair",
  coarse: "coarse hair",
  processed: "processed hair",
  filmCover: "film cover",
  uncovered: "no film cover, unlike last time",
};

const BACK = { noFilm: "no film cover", largerShield: "a larger shield" } as const;

/** Why a step gets the minutes it gets, in sentences. */
export function whyMinutes(step: ProcessStep, { planned, colour, lift, last }: StepProposal, day: (ms: number) => string): string[] {
  const says: string[] = [];
  if (lift) {
    const saw = lift.seenDeg === null ? "" : ` and kept ${Math.round(lift.seenDeg)}°`;
    const then = {
      usual: "",
      more: "more was wished for: half a minute longer",
      less: "less was wished for: half a minute shorter",
      same: "that was the wish: the same again",
      stung: "it stung: no longer than that",
      uneven: "it came out uneven: the same time, look to the gluing",
    }[lift.reason];
    says.push(`${day(lift.atMs)} it lay ${formatClock(lift.lastS)}${saw}; ${then}.`);
    if (lift.held) says.push(`The leaflet’s ${lift.held === "most" ? "longest" : "shortest"} holds it.`);
  } else if (colour?.from === "history" && colour.estimate) {
    const { low, mid, high, looks } = colour.estimate;
    const end = (minutes: number) => (minutes * 60 > step.mostS ? "past the leaflet’s end" : formatClock(minutes * 60));
    says.push(
      `By ${looks} ${looks === 1 ? "look" : "looks"} at ${colour.visits} ${colour.visits === 1 ? "visit" : "visits"}: the wish ${mid * 60 > step.mostS ? "" : "at "}${end(mid)}, between ${formatClock(low * 60)} and ${end(high)}.`,
    );
    if (colour.held) says.push(`The leaflet’s ${colour.held === "most" ? "longest" : "shortest"} holds it.`);
  } else if (last) says.push(`${day(last.atMs)} it lay ${formatClock(last.seconds)}; the same again.`);
  else says.push(`The usual ${formatClock(step.defaultS)}; nothing is known of this client yet.`);
  if (colour?.unreachable) says.push("By the leaflet’s end it is more likely not there: a nearer wish is kinder.");
  for (const { what, factor } of planned.because) says.push(`${sentence(FACTORS[what])}: × ${factor.toFixed(2)}.`);
  if (planned.held && !lift?.held && !colour?.held)
    says.push(`The leaflet’s ${planned.held === "most" ? "longest" : "shortest"} holds it.`);
  if (planned.lookAtS !== null) {
    const ways = bringsBack(step, planned).map((way) => BACK[way]);
    says.push(
      `Together that asks for ${formatClock(planned.lookAtS)}, less than the leaflet’s shortest: look early, at ${formatClock(planned.lookAtS)}.${ways.length ? ` ${sentence(ways.join(", or "))} would bring it back.` : ""}`,
    );
  }
  return says;
}
