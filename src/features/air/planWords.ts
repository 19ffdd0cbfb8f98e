import type { Air, Range, RoomPlan, RoomTraits } from "@/core/air";
import { formatHours, formatPercent } from "@/core/units";

/** "35 to 60 min", or one figure where both round to the same five minutes. */
export function minutesWords({ low, high }: Range): string {
  const round = (minutes: number) => (minutes < 10 ? Math.max(1, Math.round(minutes)) : Math.round(minutes / 5) * 5);
  const [a, b] = [round(low), round(high)];
  return a === b ? `about ${formatHours(a * 60)}` : b < 90 ? `${a} to ${b} min` : `${formatHours(a * 60)} to ${formatHours(b * 60)}`;
}
const grams = (value: number) => `${Math.round(value / 5) * 5} g`;

/** What it takes to bring the room to a target, a sentence each, the main one first. */
export function planWords(plan: RoomPlan, air: Air, target: Air, traits: RoomTraits): { main: string; more: string[]; cannot: boolean } {
  const goal = `${target.temperatureC.toFixed(1)} °C and ${formatPercent(target.relativeHumidity)}`;
  const more: string[] = [];
  const { heat } = plan;
  if (heat.degrees > 0)
    more.push(
      heat.minutes === null
        ? `Warm by ${heat.degrees.toFixed(1)} °C; no heater of this room is written down.`
        : `Warm by ${heat.degrees.toFixed(1)} °C: about ${formatHours(heat.minutes * 60)} of this heater. That alone leaves ${formatPercent(heat.aloneGives)}.`,
    );
  if (heat.degrees < 0) more.push(`Let it cool by ${(-heat.degrees).toFixed(1)} °C. That alone gives ${formatPercent(heat.aloneGives)}.`);
  if (plan.by === "nothing")
    return { main: `For ${goal} no water is to be added or taken.`, more: [...more, ...glassWords(plan)], cannot: false };
  const into = plan.by === "humidifier";
  const [machine, rate] = into ? ["humidifier", traits.humidifierGPerH] : ["dehumidifier", traits.dehumidifierGPerH];
  const water =
    Math.abs(plan.grams) < 2.5
      ? ""
      : `About ${grams(Math.abs(plan.grams))} of water ${plan.grams > 0 ? "into" : "out of"} the air brings ${goal}. `;
  if (plan.minutes) {
    const through =
      plan.throughG && into ? `, ${grams(plan.throughG.low)} to ${grams(plan.throughG.high)} through it, for some leaves with the air` : "";
    const main =
      rate > 0
        ? `${water}This ${machine} takes ${minutesWords(plan.minutes)}${through}.`
        : `${water}No ${machine} is written down; people and the outside air alone take ${minutesWords(plan.minutes)}.`;
    if (rate > 0) more.push(`Left running it would settle at ${formatPercent(plan.settlesAt)}.`);
    if (plan.mist && plan.mist.degrees > 0.2)
      more.push(
        `Cool mist takes ${Math.round(plan.mist.watts)} W from the air while it runs: up to ${plan.mist.degrees.toFixed(1)} °C cooler, unless the heater gives it back.`,
      );
    return { main, more: [...more, ...glassWords(plan)], cannot: false };
  }
  return {
    main:
      rate > 0
        ? `${water}This ${machine} cannot: at ${traits.airChangePerH} changes of air an hour it stops at ${formatPercent(plan.settlesAt)}.`
        : `${water}No ${machine} is written down for this room, and left alone it goes to ${formatPercent(plan.settlesAt)}.`,
    more: [...more, "Shut doors and windows, take a stronger one, or another bottle.", ...glassWords(plan)],
    cannot: true,
  };
}

function glassWords({ glass }: RoomPlan): string[] {
  if (!glass) return [];
  return [
    `${glass.kind === "frost" ? "Frost" : "Dew"} will form on the window: its pane is near ${glass.paneC.toFixed(0)} °C, this air's dew point ${glass.dewPointC.toFixed(0)} °C.`,
  ];
}
