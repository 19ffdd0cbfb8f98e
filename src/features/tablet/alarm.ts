import { COAT_WARNING_S } from "@/core/processing";
import type { Clock } from "@/core/clock";
import { BEAD_WARNING_S } from "@/core/visit";

/** What is heard: sounds, and spoken warnings, zones and minutes, each by itself. Browsers let a page make any only after it was touched once. */
export type AlarmChoice = { readonly sound: boolean; readonly speech: boolean; readonly zones: boolean; readonly minutes: boolean };
const HEARD = ["sound", "speech", "zones", "minutes"] as const;

const KEY = "ivy-alarm";

export function readAlarmChoice(): AlarmChoice {
  const kept = localStorage.getItem(KEY)?.split(" ") ?? ["sound"];
  return Object.fromEntries(HEARD.map((one) => [one, kept.includes(one)])) as AlarmChoice;
}

export function writeAlarmChoice(choice: AlarmChoice): void {
  localStorage.setItem(KEY, HEARD.filter((one) => choice[one]).join(" "));
}

let context: AudioContext | null = null;
/** To be called from a touch or a key. */
export function unlockSound(): void {
  context ??= new AudioContext();
  if (context.state === "suspended") void context.resume();
}

const NOTES: Record<Alarm["kind"], readonly number[]> = {
  past: [880, 587, 880, 587, 880, 587],
  shaken: [660, 880],
  soon: [523, 523],
  over: [740, 587, 740, 587],
};

/** A few soft notes, told apart by their count and fall. */
export function ring(kind: Alarm["kind"]): void {
  if (!context || context.state !== "running") return;
  NOTES[kind].forEach((frequency, i) => {
    const at = context!.currentTime + i * 0.24;
    const tone = context!.createOscillator();
    const loudness = context!.createGain();
    tone.frequency.value = frequency;
    loudness.gain.setValueAtTime(0, at);
    loudness.gain.linearRampToValueAtTime(0.22, at + 0.02);
    loudness.gain.exponentialRampToValueAtTime(0.001, at + 0.22);
    tone.connect(loudness).connect(context!.destination);
    tone.start(at);
    tone.stop(at + 0.23);
  });
}

/** Nobody listens to more than so many words at a time: about four seconds. */
export const MOST_WORDS = 10;

/** A phrase that takes no more than four seconds: a long one ends with a sentence that still fits, or is cut. */
export function shortPhrase(words: string): string {
  const count = (text: string) => text.split(/\s+/).filter(Boolean).length;
  let said = "";
  for (const sentence of words.split(/(?<=[.?!])\s+/)) {
    if (count(`${said} ${sentence}`) > MOST_WORDS) break;
    said = `${said} ${sentence}`.trim();
  }
  return said || words.split(/\s+/).slice(0, MOST_WORDS).join(" ");
}

/** What is to be said once there is silence: the newest zone, not all that were passed meanwhile. */
let afterwards: string | null = null;

/** One phrase after the other, never one over another. One that gives way waits for silence, and for no older one of its kind. */
export function say(words: string, { givesWay = false } = {}): void {
  if (!("speechSynthesis" in window)) return;
  if (givesWay && (speechSynthesis.speaking || speechSynthesis.pending)) return void (afterwards = words);
  const utterance = new SpeechSynthesisUtterance(shortPhrase(words));
  utterance.lang = "en";
  utterance.onend = () => {
    const next = afterwards;
    afterwards = null;
    if (next !== null) say(next, { givesWay: true });
  };
  speechSynthesis.speak(utterance);
}

/** Says a zone or the minutes, where that was asked for. */
export function sayAtBed(kind: "zones" | "minutes", words: string): void {
  if (readAlarmChoice()[kind]) say(words, { givesWay: true });
}

/** Sounds and speaks as the tablet was told to. */
export function tell(alarm: Alarm): void {
  const choice = readAlarmChoice();
  if (choice.sound) ring(alarm.kind);
  if (choice.speech) say(alarm.words);
}

/** A page that was never touched is silent: browsers want it so. */
export const soundIsOpen = (): boolean => context?.state === "running";

export type Alarm = { readonly key: string; readonly kind: "shaken" | "soon" | "over" | "past"; readonly words: string };

/** The alarm a clock is due now, or null. A moment long past is not rung again after a reload. */
export function alarmOf(clock: Clock, who: string): Alarm | null {
  const late = (sinceS: number) => sinceS > 5;
  if (clock.kind === "coat") return coatAlarm(clock, who);
  if (clock.kind === "rinse")
    return clock.state === "done" && !late(-clock.leftS)
      ? { key: `${clock.id} rinsed`, kind: "shaken", words: `${who}: the rinse has had its time.` }
      : null;
  if (clock.kind === "look") return late(-clock.leftS) ? null : { key: clock.id, kind: "soon", words: `${who}: ${clock.label}.` };
  if (clock.kind === "paste")
    return clock.state === "over" && !late(-clock.leftS)
      ? { key: `${clock.id} stood`, kind: "over", words: `${who}: the paste has stood too long. Mix anew.` }
      : null;
  if (clock.kind === "shake")
    return clock.state === "done" && !late(-clock.leftS) ? { key: `${clock.id} shaken`, kind: "shaken", words: `${who}: shaken.` } : null;
  if (clock.kind === "soak")
    return clock.state === "done" && !late(-clock.leftS)
      ? { key: `${clock.id} soaked`, kind: "shaken", words: `${who}: the disinfectant has had its time.` }
      : null;
  if (clock.kind === "eyes")
    return clock.state === "done" && !late(-clock.leftS)
      ? { key: `${clock.id} may`, kind: "shaken", words: `${who}: eyes may open.` }
      : null;
  if (clock.kind === "check")
    return clock.state === "over" && !late(-clock.leftS)
      ? { key: `${clock.id} over`, kind: "soon", words: `${who}: brush through. Are both eyes closed?` }
      : null;
  if (clock.state === "over" && !late(-clock.leftS))
    return { key: `${clock.id} over`, kind: "over", words: `${who}: ${clock.label} is spent. New bead.` };
  if (clock.state === "soon" && !late(BEAD_WARNING_S - clock.leftS))
    return { key: `${clock.id} soon`, kind: "soon", words: `${who}: ${clock.label} has two minutes.` };
  return null;
}

/** Past the leaflet it sounds again so often, s. */
const PAST_AGAIN_S = 10;

/** What lies on hair: a warning, its time, and past the leaflet's end again and again until it is wiped. */
function coatAlarm(clock: Clock, who: string): Alarm | null {
  if (clock.state === "past")
    return { key: `${clock.id} past ${Math.floor(-clock.leftS / PAST_AGAIN_S)}`, kind: "past", words: `${who}: ${clock.label}. Off now.` };
  // It still lies there: a tab that slept through the moment rings when it wakes.
  if (clock.state === "over" && !clock.label.startsWith("still on"))
    return { key: `${clock.id} over`, kind: "over", words: `${who}: ${clock.label}, time is up.` };
  if (clock.state === "soon" && clock.leftS > COAT_WARNING_S - 5)
    return { key: `${clock.id} soon`, kind: "soon", words: `${who}: ${clock.label}, twenty seconds.` };
  return null;
}
