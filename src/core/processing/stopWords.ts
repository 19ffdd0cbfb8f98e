/** What is said and done when something is wrong, by what it is. Usual first aid; a leaflet and a doctor come before it. */
export const STOP_WORDS = {
  splash: {
    label: "splash or sting",
    title: "Rinse now",
    lines: [
      "Lenses out. Lukewarm clean water, from the inner corner outwards, lids held apart.",
      "The whole time by the clock, whatever the client says.",
      "Wipe off what still lies on the other areas; mark each as it is wiped.",
      "Then medical help, with the product’s leaflet in hand.",
    ],
  },
  gluedLids: {
    label: "lids stuck",
    title: "Lids stuck: never pull",
    lines: [
      "No pulling, no cutting, no remover at the eye.",
      "Warm water on a clean pad, held gently, again and again; patience.",
      "They come apart by themselves in hours. Medical help before that if it hurts, or the eye is red.",
      "Wipe off what still lies on the other areas; mark each as it is wiped.",
    ],
  },
} as const;
