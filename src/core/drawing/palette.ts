import { HAIR_COLOURS, IRIS_COLOURS, SKIN_TONES, type HairColour, type IrisColour, type SkinTone } from "../eye";
import type { Ink } from "./shapes";

export type Palette = Readonly<Record<Ink, string>>;
export type Noted = {
  readonly iris?: IrisColour | undefined;
  readonly hair?: HairColour | undefined;
  readonly skin?: SkinTone | undefined;
};

const PAPER: Palette = {
  paper: "#f6f2e9",
  lit: "#f6f2e9",
  lid: "#c4a888",
  lidLine: "#a08663",
  white: "#fffdf8",
  irisRim: "#2b4a3a",
  iris: "#7b9677",
  irisLight: "#b3bf9f",
  pupil: "#0f1a15",
  glint: "#fffefa",
  shine: "#fffefa",
  margin: "#4a3b30",
  tear: "#dfae98",
  shadow: "#1c231d",
  blush: "#9a7864",
  hair: "#4e564f",
  lash: "#131b17",
  pad: "#fffefb",
  padLine: "#cfc7b6",
};

/** By the lamp the room is dark and the eye lies in a pool of warm, dim light. */
const LAMP: Palette = {
  ...PAPER,
  paper: "#0c1511",
  lit: "#8d8370",
  lid: "#6f5f4a",
  lidLine: "#4c3f2e",
  white: "#cfcabd",
  irisRim: "#1c3327",
  iris: "#5d7a5f",
  irisLight: "#94a585",
  pupil: "#070d0a",
  glint: "#efece2",
  shine: "#a79a83",
  margin: "#2a211a",
  tear: "#a97f6c",
  shadow: "#0a0f0c",
  blush: "#5e4a3c",
  hair: "#2c332e",
  lash: "#060b08",
  pad: "#1d2a23",
  padLine: "#3a4a41",
};

/** On the pad by the lamp lashes are light on a dark ground: they are read, not admired. */
export const PAD_BY_LAMP = { lash: "#ece7da", hair: "#7d9083", margin: "#b3a890", lidLine: "#7a705c", lid: "#5c543f" } as const;

export const THEMES = ["paper", "lamp"] as const;
export type Theme = (typeof THEMES)[number];

/** Extensions that a fill leaves on, told from those it places. */
export const KEPT_INK: Readonly<Record<Theme, string>> = { paper: "#6f8f63", lamp: "#6f9e7e" };

/** The inks of a theme, in the client's own colours where they were noted. */
export function paletteOf(theme: Theme, { iris, hair, skin }: Noted = {}): Palette {
  const base = theme === "lamp" ? LAMP : PAPER;
  const dim = (hex: string) => (theme === "lamp" ? dimmed(hex) : hex);
  return {
    ...base,
    ...(iris ? { irisRim: dim(IRIS_COLOURS[iris].rim), iris: dim(IRIS_COLOURS[iris].iris), irisLight: dim(IRIS_COLOURS[iris].light) } : {}),
    ...(hair ? { hair: dim(HAIR_COLOURS[hair].ink) } : {}),
    ...(skin ? { lid: dim(SKIN_TONES[skin].lid), lidLine: dim(SKIN_TONES[skin].line) } : {}),
  };
}

const LAMP_LIGHT = 0.72;
/** "#808080" under the lamp: every part of it less bright. */
const dimmed = (hex: string) =>
  `#${[1, 3, 5]
    .map((i) =>
      Math.round(parseInt(hex.slice(i, i + 2), 16) * LAMP_LIGHT)
        .toString(16)
        .padStart(2, "0"),
    )
    .join("")}`;
