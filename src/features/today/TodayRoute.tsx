import { addDays, format, parseISO } from "date-fns";
import { mapProfile } from "@/core/map";
import { requireMember } from "@/server/member";
import { dayIn, formatIn, hourIn, minuteIn, timeIn, todayIn } from "@/server/studioTime";
import { typedDay } from "@/server/typed";
import { dayPage, type DayVisit } from "./data";
import type { DayLine } from "./dayLine";
import { TodayView } from "./TodayView";
import { bottleWords, roomWords } from "./wishWords";

const wishOrder = { stop: 0, look: 1, note: 2, good: 3 } as const;

/** A day of the studio: today where none is named. */
export async function TodayRoute({
  day: asked,
  openId,
  withdrawnId,
  isBooking = false,
}: {
  day?: string | undefined;
  openId?: string | undefined;
  withdrawnId?: string | undefined;
  isBooking?: boolean;
}) {
  const member = await requireMember();
  const now = new Date();
  const today = todayIn(member.timeZone, now);
  const day = typedDay().safeParse(asked).success ? asked! : today;
  const { visits, cancelled, options } = await dayPage(member, day, now);
  const minuteOf = (moment: Date) => minuteIn(member.timeZone, moment);
  const time = (moment: Date) => timeIn(member.timeZone, moment);
  const nowHour = hourIn(member.timeZone, now);
  const lineOf = ({ visit, findings, map, mayTakeLastMap, wish }: DayVisit): DayLine => {
    const { begunAt, finishedAt } = visit;
    const fromMin = minuteOf(visit.startsAt);
    const room = wish && roomWords(wish, nowHour);
    const bottle = wish && bottleWords(wish);
    return {
      id: visit.id,
      revision: visit.revision,
      clientId: visit.clientId,
      clientName: visit.clientName,
      service: visit.service,
      technicianId: visit.technicianId,
      technicianName: visit.technicianName,
      chairId: visit.chairId,
      place: `${visit.roomName}, ${visit.chairName}`,
      state: finishedAt !== null ? "done" : begunAt !== null ? "running" : "ahead",
      fromMin,
      toMin: Math.max(fromMin + 10, fromMin + visit.minutes),
      minutes: visit.minutes,
      really: begunAt === null ? null : { from: time(begunAt), to: finishedAt && time(finishedAt) },
      findings,
      map: map && mapProfile(map),
      mayTakeLastMap,
      isWalkIn: !visit.keepsTime && finishedAt === null,
      wishes: [...(room ? [room] : []), ...(bottle ? [{ ...bottle, word: "" }] : [])].sort((a, b) => wishOrder[a.tone] - wishOrder[b.tone]),
    };
  };
  const lines = visits.map(lineOf);
  const mine = lines.filter((line) => line.technicianId === member.id && line.state !== "done");
  const next = mine.find(({ state }) => state === "running") ?? mine[0];
  // One's own thread first; who has left has one on days that are still theirs.
  const left = new Map(lines.map(({ technicianId: id, technicianName }) => [id, { id, name: `${technicianName}, has left` }]));
  for (const { id } of options.people) left.delete(id);
  const people = [...options.people, ...left.values()]
    .sort((a, b) => Number(b.id === member.id) - Number(a.id === member.id))
    .map(({ id, name }) => {
      const usual = visits.find(({ visit }) => visit.technicianId === id)?.visit;
      return { id, name, place: usual ? `${usual.roomName}, ${usual.chairName}` : "", chairId: usual?.chairId ?? null };
    });
  const beside = (days: number) => format(addDays(parseISO(day), days), "yyyy-MM-dd");
  return (
    <TodayView
      key={`${day} ${openId ?? ""} ${isBooking ? "booking" : ""}`}
      title={formatIn(
        member.timeZone,
        dayIn(member.timeZone, day).from,
        day.slice(0, 4) === today.slice(0, 4) ? "EEEE d MMMM" : "EEEE d MMMM yyyy",
      )}
      day={day}
      isToday={day === today}
      days={{ before: beside(-1), after: beside(1), today }}
      summary={summaryOf(lines)}
      people={people}
      lines={lines}
      cancelled={cancelled.map(({ id, clientName, startsAt, service, cancelledWhy }) => ({
        id,
        clientName,
        from: time(startsAt),
        service,
        why: cancelledWhy,
      }))}
      nextId={next?.id ?? null}
      nowMin={day === today ? minuteOf(now) : null}
      options={options}
      openId={openId ?? null}
      withdrawnId={withdrawnId ?? null}
      isBooking={isBooking}
    />
  );
}

/** The day in a few words: how many, how many done, how many something stands against. */
function summaryOf(lines: readonly DayLine[]): string {
  const count = (counted: readonly DayLine[], one: string, many: string) =>
    counted.length === 0 ? "" : `${counted.length} ${counted.length === 1 ? one : many}`;
  const open = lines.filter(({ state }) => state !== "done");
  return [
    count(lines, "visit", "visits"),
    count(
      lines.filter(({ state }) => state === "done"),
      "done",
      "done",
    ),
    count(
      open.filter(({ findings }) => findings.some(({ weight }) => weight === "stop")),
      "stopped",
      "stopped",
    ),
  ]
    .filter(Boolean)
    .join(", ");
}
