import { CLIENT_SERVICES, serviceOf, type ServiceId } from "../service";

/** A stretch of a day, minutes since midnight on the studio's clock. */
export type Stretch = { readonly fromMin: number; readonly toMin: number };

/** What lies free between busy stretches (in any order, overlapping or not) from one minute to another, where it is long enough. */
export function freeStretches(busy: readonly Stretch[], fromMin: number, toMin: number, leastMin: number): Stretch[] {
  const free: Stretch[] = [];
  let open = fromMin;
  for (const one of [...busy].sort((a, b) => a.fromMin - b.fromMin)) {
    const until = Math.min(one.fromMin, toMin);
    if (until - open >= leastMin) free.push({ fromMin: open, toMin: until });
    open = Math.max(open, one.toMin);
  }
  if (toMin - open >= leastMin) free.push({ fromMin: open, toMin });
  return free;
}

/** Services that fit into so many minutes by their usual length, longest first. */
export function whatFits(minutes: number): ServiceId[] {
  return CLIENT_SERVICES.filter((id) => serviceOf(id).usualMinutes <= minutes).sort(
    (a, b) => serviceOf(b).usualMinutes - serviceOf(a).usualMinutes,
  );
}

/** Puts stretches that overlap into lanes beside each other: the lane of each, in the order given, and how many there are. */
export function lanesFor(stretches: readonly Stretch[]): { readonly lanes: readonly number[]; readonly count: number } {
  const ends: number[] = [];
  const lanes = new Array<number>(stretches.length).fill(0);
  const order = stretches.map((_, i) => i).sort((a, b) => stretches[a]!.fromMin - stretches[b]!.fromMin);
  for (const i of order) {
    const { fromMin, toMin } = stretches[i]!;
    const free = ends.findIndex((end) => end <= fromMin);
    const lane = free < 0 ? ends.length : free;
    ends[lane] = toMin;
    lanes[i] = lane;
  }
  return { lanes, count: Math.max(1, ends.length) };
}
