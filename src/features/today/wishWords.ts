import { formatPercent } from "@/core/units";
import { minutesWords } from "@/features/air/planWords";
import type { Tone } from "@/ui";
import type { RoomWish } from "./startTheRoom";

const clock = (hour: number) => {
  const minutes = Math.floor((((hour % 24) + 24) % 24) * 12) * 5;
  return `${String(Math.floor(minutes / 60)).padStart(2, "0")}:${String(minutes % 60).padStart(2, "0")}`;
};
/** What a visit wants of the room, as a sentence with a time; null where it wants nothing. Hours rounded down to five minutes. */
export function roomWords({ needs, expectedAir, bottle }: RoomWish, nowHour: number): { tone: Tone; says: string } | null {
  if (!needs) return null;
  const air = `${formatPercent(expectedAir.relativeHumidity)} and ${expectedAir.temperatureC.toFixed(0)} °C are to be expected`;
  const goal = `${formatPercent(needs.target.relativeHumidity)} at ${needs.target.temperatureC.toFixed(0)} °C for ${bottle?.adhesive.name ?? "it"}`;
  if (needs.switchOnHour === null || !needs.minutes)
    return { tone: "stop", says: `${air}; this room's machines do not reach ${goal}. Another bottle, or another room.` };
  const when = needs.switchOnHour <= nowHour ? "now" : `at ${clock(needs.switchOnHour)}`;
  const late = needs.switchOnHour < nowHour - 0.1;
  return {
    tone: late ? "look" : "note",
    says: `${needs.machine} on ${when}: ${air}; ${minutesWords(needs.minutes)} to ${goal}${late ? ", so it may not be there in time" : ""}.`,
  };
}

/** The bottle a visit is to be worked from, with its life and drops. */
export function bottleWords({ bottle, daysLeft, drops }: RoomWish): { tone: Tone; says: string } {
  if (!bottle) return { tone: "look", says: "No bottle is open." };
  const name = `${bottle.adhesive.name}, ${bottle.lot}`;
  if (daysLeft !== null && daysLeft < 0) return { tone: "stop", says: `${name}: past its life` };
  if (drops && drops.left < drops.wanted) return { tone: "look", says: `${name}: about ${drops.left} drops left, ${drops.wanted} wanted` };
  const life = daysLeft !== null && daysLeft <= 7 ? `, ${daysLeft} ${daysLeft === 1 ? "day" : "days"} left` : "";
  return { tone: "good", says: `${name}${life}${drops ? `, ${drops.left} drops` : ""}` };
}
