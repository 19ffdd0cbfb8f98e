export const LOOK_IDS = ["natural", "doll", "squirrel", "cat", "flatLiner"] as const;
export type LookId = (typeof LOOK_IDS)[number];
