import type { StopKind } from "../care/aftercare";

/** What is said and done when something is wrong, by what it is. Usual first aid; a leaflet and a doctor come before it. */
export const STOP_WORDS: Readonly<Record<StopKind, { readonly label: string; readonly title: string; readonly lines: readonly string[] }>> =
  {
    splash: {
      label: "splash or sting",
      title: "Rinse at once",
      lines: [
        "Rinse at once: lukewarm clean water, lids held open, from the nose outwards.",
        "Contact lenses come out while rinsing, never before it. Pads and shields off.",
        "15 minutes at least, longer while it hurts.",
        "Lift lotion or lightener: call for medical help now, with the leaflet in hand.",
        "Wipe off what still lies on the other areas; mark each as it is wiped.",
      ],
    },
    gluedLids: {
      label: "lids stuck",
      title: "Lids stuck: never pull",
      lines: [
        "Never pull. No remover, oil or acetone near the eye; do not force them open to rinse.",
        "A warm wet cloth, held gently, again and again; patience.",
        "Medical help: call now if it hurts or the eye is red, else if they are still stuck.",
        "Wipe off what still lies on the other areas; mark each as it is wiped.",
      ],
    },
  };
