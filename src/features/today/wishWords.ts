import type { Air } from "@/core/air";
import { formatPercent } from "@/core/units";
import { minutesWords } from "@/features/air/planWords";
import type { Tone } from "@/ui";
import type { RoomWish } from "./startTheRoom";

/** Six minutes after its time a machine is late. */
const LATE_HOURS = 0.1;
const MACHINES = { humidifier: "Humidifier", dehumidifier: "Dryer", heater: "Heater" } as const;

const clock = (hour: number) => {
  const minutes = Math.floor((((hour % 24) + 24) % 24) * 12) * 5;
  return `${String(Math.floor(minutes / 60)).padStart(2, "0")}:${String(minutes % 60).padStart(2, "0")}`;
};
/** A wish in a word that is seen at once, and what stands behind it. */
export type WishWords = { readonly tone: Tone; readonly word: string; readonly says: string };

/** What a visit wants of the room, with a time; null where it wants nothing. Hours rounded down to five minutes. */
export function roomWords({ needs, expectedAir, bottle }: RoomWish, nowHour: number): WishWords | null {
  if (!needs) return null;
  const at = ({ relativeHumidity, temperatureC }: Air) => `${formatPercent(relativeHumidity)} at ${temperatureC.toFixed(0)}\u00a0°C`;
  const wants = `${at(expectedAir)} is to be expected, ${bottle?.adhesive.name ?? "it"} wants ${at(needs.target)}`;
  if (needs.switchOnHour === null || !needs.minutes)
    return { tone: "stop", word: "Out of this room's reach.", says: `${wants}. Another bottle, or another room.` };
  const isNow = needs.switchOnHour <= nowHour;
  const late = needs.switchOnHour < nowHour - LATE_HOURS;
  const machine = MACHINES[needs.machine];
  return {
    tone: late ? "look" : "note",
    word: `${machine} on ${isNow ? "now" : `at ${clock(needs.switchOnHour)}`}.`,
    says: `${wants}: ${minutesWords(needs.minutes)}${late ? ", so it may not be there in time" : ""}.`,
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
