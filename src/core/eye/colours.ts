/** What an eye is drawn in where it was noted. Words of common use; the inks are this product's own. */
export const IRIS_COLOURS = {
  dark: { label: "dark brown", rim: "#1d120b", iris: "#3a2416", light: "#6b4426" },
  brown: { label: "brown", rim: "#2d1c10", iris: "#5e3d22", light: "#9a6d3f" },
  hazel: { label: "hazel", rim: "#38321a", iris: "#7a6a35", light: "#b4914d" },
  green: { label: "green", rim: "#274534", iris: "#648260", light: "#a3b48b" },
  blue: { label: "blue", rim: "#27415a", iris: "#6488a6", light: "#b3cad9" },
  grey: { label: "grey", rim: "#39444b", iris: "#7c8a90", light: "#bcc5c6" },
} as const;
export type IrisColour = keyof typeof IRIS_COLOURS;

export const HAIR_COLOURS = {
  black: { label: "black", ink: "#1a1a18" },
  darkBrown: { label: "dark brown", ink: "#33261d" },
  brown: { label: "brown", ink: "#553d2b" },
  lightBrown: { label: "light brown", ink: "#7d6146" },
  blonde: { label: "blonde", ink: "#a4875a" },
  red: { label: "red", ink: "#87482a" },
  grey: { label: "grey", ink: "#7d7d78" },
} as const;
export type HairColour = keyof typeof HAIR_COLOURS;

/** Tones of the skin about the eye: of the lid, and of the line of its fold. */
export const SKIN_TONES = {
  veryLight: { label: "very light", lid: "#e3c4ae", line: "#bd957c" },
  light: { label: "light", lid: "#d9b394", line: "#ad8163" },
  medium: { label: "medium", lid: "#c39a74", line: "#93694a" },
  tan: { label: "tan", lid: "#a87b53", line: "#774f32" },
  brown: { label: "brown", lid: "#83583a", line: "#583722" },
  deep: { label: "deep", lid: "#5a3b2a", line: "#382318" },
} as const;
export type SkinTone = keyof typeof SKIN_TONES;
