import { SLEEPS_ON, type SleepsOn } from "../eye/classes";

/** Which side a client slept on, once it was asked. */
export type SleptOn = Exclude<SleepsOn, "unknown">;
export const SLEPT_ON = (Object.keys(SLEEPS_ON) as SleepsOn[]).filter((is) => is !== "unknown") as [SleptOn, ...SleptOn[]];

/** What bonds met since the last visit, and is answered with yes or no. */
export const MET = { oil: "oil on them", steam: "steam or sauna", cried: "cried" } as const;
export const NOT_MET: Readonly<Record<MetId, string>> = { oil: "no oil", steam: "no steam", cried: "did not cry" };
export type MetId = keyof typeof MET;
export const MET_IDS = Object.keys(MET) as [MetId, ...MetId[]];

/** How what is left was counted: on the lashes, or on a picture of them. */
export const COUNTED_BY = ["pads", "picture"] as const;
export type CountedBy = (typeof COUNTED_BY)[number];
