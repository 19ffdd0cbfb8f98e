/** Colours fibres are sold in, with the ink they are drawn in. Common practice; the inks are this product's own. */
export const FIBRE_COLOURS = {
  black: { label: "black", ink: "#17221C" },
  darkBrown: { label: "dark brown", ink: "#3B2A20" },
  brown: { label: "brown", ink: "#6A4A35" },
  auburn: { label: "auburn", ink: "#7A3B26" },
  blue: { label: "blue", ink: "#2C4A86" },
  plum: { label: "plum", ink: "#63305C" },
  green: { label: "green", ink: "#2F6B4A" },
} as const;
export type FibreColour = keyof typeof FIBRE_COLOURS;
export const FIBRE_COLOUR_IDS = Object.keys(FIBRE_COLOURS) as [FibreColour, ...FibreColour[]];
