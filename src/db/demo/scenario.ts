import { setTimeRatio, type Adhesive } from "@/core/adhesive";
import type { RoomTraits } from "@/core/air";
import type { Tray } from "@/core/map";
import type { ServiceId } from "@/core/service";

/**
 * Our own made-up scenario: The Tide Room, three chairs above the harbour of Tern Haven, where mornings are damp and
 * the heater dries the afternoons. Nobody and nothing here is real.
 */
export const STUDIO = { name: "The Tide Room", timeZone: "Europe/London" } as const;

export const PEOPLE = [
  { key: "maren", name: "Maren Holt", email: "maren@tideroom.example", role: "owner" },
  { key: "jossa", name: "Jossa Quill", email: "jossa@tideroom.example", role: "technician" },
  { key: "pim", name: "Pim Arkwell", email: "pim@tideroom.example", role: "trainee" },
] as const;
export type PersonKey = (typeof PEOPLE)[number]["key"];

const traits: RoomTraits = {
  version: 1,
  airChangePerH: 0.7,
  humidifierGPerH: 320,
  humidifierWarm: false,
  dehumidifierGPerH: 0,
  heaterCPerH: 2.5,
  altitudeM: 12,
  glazing: "double",
  outside: { temperatureC: 9, relativeHumidity: 0.78 },
};
export const ROOMS = [
  { key: "front", name: "Front room", volumeM3: 42, traits },
  { key: "back", name: "Back room", volumeM3: 26, traits: { ...traits, airChangePerH: 0.4, humidifierGPerH: 0, dehumidifierGPerH: 180 } },
] as const;

/** Hygrometers; `offset` is how far an old one has come away by now. */
export const HYGROMETERS = [
  { key: "front", room: "front", name: "Shelf by chair 2", offset: 0 },
  { key: "back", room: "back", name: "Trolley, back room", offset: 0 },
  { key: "sill", room: "front", name: "Window sill", offset: -0.045 },
] as const;

/** What a stopwatch shows: the set time in this air, a tenth either way by turns, slower with the bottle's age. */
export function timedAt(nominalS: number, air: { temperatureC: number; relativeHumidity: number }, i: number, slower: number): number {
  const wobble = [0.06, -0.11, 0.02, 0.13, -0.05, -0.02, 0.09, -0.08][i % 8]!;
  return Math.round(nominalS * 1.08 * setTimeRatio(air, { m: 1.15, bK: 4300 }) * (1 + slower) * Math.exp(wobble) * 100) / 100;
}

/** Seconds from the dip until an extension sits. */
export const HANDS: readonly { person: PersonKey; technique: "single" | "fan"; seconds: readonly number[] }[] = [
  { person: "maren", technique: "single", seconds: [1.6, 1.7, 1.5, 1.8, 1.6, 1.7] },
  { person: "maren", technique: "fan", seconds: [1.9, 2.1, 1.8, 2, 1.9] },
  { person: "jossa", technique: "single", seconds: [1.3, 1.4, 1.4, 1.3] },
  { person: "pim", technique: "single", seconds: [2.6, 2.2, 3, 2.8, 2.4] },
];

export const ADHESIVES: readonly {
  key: string;
  document: Adhesive;
  lots: readonly { lot: string; openedDaysAgo: number; emptiedDaysAgo?: number; agesBy?: number }[];
}[] = [
  {
    key: "slackwater",
    document: {
      name: "Slackwater",
      setTimeS: 1.8,
      humidityLow: 0.35,
      humidityHigh: 0.62,
      temperatureLowC: 18,
      temperatureHighC: 26,
      lifeAfterOpeningDays: 42,
      shakeSeconds: 60,
      dropsIn: 220,
      keptIn: "cool and dry",
    },
    lots: [
      { lot: "SW 2208", openedDaysAgo: 66, emptiedDaysAgo: 25 },
      { lot: "SW 2311", openedDaysAgo: 24 },
    ],
  },
  {
    key: "quickfoam",
    document: {
      name: "Quickfoam",
      setTimeS: 0.8,
      humidityLow: 0.4,
      humidityHigh: 0.55,
      temperatureLowC: 20,
      temperatureHighC: 24.5,
      lifeAfterOpeningDays: 28,
      shakeSeconds: 90,
      dropsIn: 200,
      keptIn: "fridge until opened",
    },
    lots: [{ lot: "QF 0917", openedDaysAgo: 23, agesBy: 0.2 }],
  },
  {
    key: "drywharf",
    document: {
      name: "Dry Wharf",
      setTimeS: 1.2,
      humidityLow: 0.2,
      humidityHigh: 0.4,
      temperatureLowC: 19,
      temperatureHighC: 28,
      lifeAfterOpeningDays: 35,
      dropsIn: 180,
      waterHours: 12,
    },
    lots: [{ lot: "DW 1184", openedDaysAgo: 9 }],
  },
];

const run = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => from + i);
export const TRAYS: readonly Tray[] = [
  { curl: "C", diameterMm: 0.15, shape: "round", lengthsMm: run(6, 13) },
  { curl: "C", diameterMm: 0.12, shape: "round", lengthsMm: run(6, 13) },
  { curl: "C", diameterMm: 0.1, shape: "round", lengthsMm: run(6, 12) },
  { curl: "CC", diameterMm: 0.12, shape: "round", lengthsMm: run(7, 13) },
  { curl: "D", diameterMm: 0.15, shape: "round", lengthsMm: run(7, 14).filter((mm) => mm !== 10) },
  { curl: "D", diameterMm: 0.07, shape: "round", lengthsMm: run(7, 14) },
  { curl: "D", diameterMm: 0.05, shape: "round", lengthsMm: run(6, 13) },
  { curl: "L", diameterMm: 0.15, shape: "round", lengthsMm: run(7, 12) },
  { curl: "L", diameterMm: 0.1, shape: "flat", lengthsMm: run(7, 12) },
  { curl: "M", diameterMm: 0.12, shape: "round", lengthsMm: run(7, 13) },
  { curl: "C", diameterMm: 0.07, shape: "round", lengthsMm: run(6, 15) },
  { curl: "C", diameterMm: 0.05, shape: "round", lengthsMm: run(6, 14) },
  { curl: "L", diameterMm: 0.07, shape: "round", lengthsMm: run(7, 14) },
  { curl: "M", diameterMm: 0.07, shape: "round", lengthsMm: run(7, 14) },
  { curl: "CC", diameterMm: 0.05, shape: "round", lengthsMm: run(6, 13) },
  { curl: "C", diameterMm: 0.12, shape: "round", colour: "darkBrown", lengthsMm: run(7, 12) },
  // For the mannequin head alone.
  { curl: "C", diameterMm: 0.2, shape: "round", lengthsMm: [20, 22, 25] },
];

/** What a trainee practises on. */
export const MANNEQUIN = {
  name: "Head by the window",
  notes: "Strip lashes of 10 mm, changed every fortnight. Pim practises corners on it.",
} as const;

/** A look the studio bent for itself: a squirrel that keeps its length a little longer past the brow. */
export const OWN_LOOK = { name: "Harbour sweep", from: "squirrel", secondLastDropMm: 1.1 } as const;
/** A map kept to begin others from. */
export const TEMPLATE = { from: "bronagh", title: "Gull wing, wispy M" } as const;

/** Chairs by the number they bear, and the room each stands in. */
export const CHAIRS = [
  { number: 1, room: "front" },
  { number: 2, room: "front" },
  { number: 3, room: "back" },
] as const;

/** Who comes on any day the demo is opened: chair, hour, service. */
export const DAY_SHEET: readonly {
  client: string;
  technician: PersonKey;
  room: "front" | "back";
  chair: number;
  hour: number;
  minute: number;
  minutes: number;
  service: ServiceId;
}[] = [
  { client: "ottilie", technician: "maren", room: "front", chair: 2, hour: 9, minute: 0, minutes: 120, service: "fill" },
  { client: "calla", technician: "jossa", room: "front", chair: 1, hour: 9, minute: 30, minutes: 135, service: "fill" },
  { client: "rosalind", technician: "pim", room: "back", chair: 3, hour: 10, minute: 0, minutes: 180, service: "newSet" },
  { client: "hesper", technician: "maren", room: "front", chair: 2, hour: 11, minute: 30, minutes: 120, service: "fill" },
  { client: "leila", technician: "jossa", room: "front", chair: 1, hour: 12, minute: 15, minutes: 150, service: "newSet" },
  { client: "nura", technician: "maren", room: "front", chair: 2, hour: 14, minute: 30, minutes: 150, service: "newSet" },
  { client: "petra", technician: "pim", room: "back", chair: 3, hour: 13, minute: 30, minutes: 60, service: "lashBrowTint" },
  { client: "dagny", technician: "jossa", room: "front", chair: 1, hour: 15, minute: 15, minutes: 105, service: "fill" },
  { client: "marigold", technician: "maren", room: "front", chair: 2, hour: 17, minute: 15, minutes: 75, service: "liftTint" },
  { client: "ysolde", technician: "jossa", room: "front", chair: 1, hour: 17, minute: 20, minutes: 60, service: "lightening" },
];

/** Indoor air over a day in hours: a damp morning, the heater from half past nine, doors at noon. */
export function airAt(hour: number, dayNumber: number): { temperatureC: number; relativeHumidity: number } {
  const heated = 1 / (1 + Math.exp(-(hour - 10.6) * 1.5));
  const season = Math.sin(dayNumber * 0.9) * 0.6;
  const wobble = Math.sin(hour * 5.3 + dayNumber) * 0.12;
  const temperatureC = 18.6 + season * 0.7 + 4.3 * heated + wobble;
  const humidity = 0.615 + season * 0.03 - 0.245 * heated - 0.012 * Math.sin(hour * 3.1 + dayNumber * 1.7);
  return { temperatureC: Math.round(temperatureC * 100) / 100, relativeHumidity: Math.round(humidity * 1000) / 1000 };
}
