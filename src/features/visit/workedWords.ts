import type { VisitState } from "@/core/visit";

/** When a visit that is over really was, on the studio's clock: "06:12 to 07:08"; null while it is not over. */
export function workedWords({ head }: Pick<VisitState, "head">, timeZone: string): string | null {
  if (head.startedAtMs === null || head.finishedAtMs === null) return null;
  const clock = new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit", timeZone });
  return `${clock.format(head.startedAtMs)} to ${clock.format(head.finishedAtMs)}`;
}
