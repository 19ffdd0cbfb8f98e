import { COAT_WARNING_S } from "@/core/processing";
import type { Clock } from "@/core/clock";
import { BEAD_WARNING_S } from "@/core/visit";

/** Sound and speech; browsers let a page make either only after it was touched once. */
export type AlarmChoice = { readonly sound: boolean; readonly speech: boolean };

const KEY = "ivy-alarm";

export function readAlarmChoice(): AlarmChoice {
  const text = localStorage.getItem(KEY);
  return text === null ? { sound: true, speech: false } : { sound: text.includes("sound"), speech: text.includes("speech") };
}

export function writeAlarmChoice(choice: AlarmChoice): void {
  localStorage.setItem(KEY, [choice.sound ? "sound" : "", choice.speech ? "speech" : ""].join(" "));
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

export function say(words: string): void {
  if (!("speechSynthesis" in window)) return;
  const utterance = new SpeechSynthesisUtterance(words);
  utterance.lang = "en";
  speechSynthesis.speak(utterance);
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
