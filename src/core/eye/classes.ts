/**
 * Lashes per mm of lash line. Set so that an upper lid of about 28 mm carries 90 to 160 (dermatology and
 * ophthalmology textbooks; from memory).
 */
export const DENSITIES = {
  sparse: { label: "sparse", lashesPerMm: 3.2 },
  usual: { label: "usual", lashesPerMm: 4.2 },
  dense: { label: "dense", lashesPerMm: 5.4 },
} as const;
export type Density = keyof typeof DENSITIES;

/** Turn of the natural lash over its own length, degrees. A model of this product. */
export const OWN_CURLS = {
  straight: { label: "straight", turnDeg: 0 },
  slight: { label: "slight", turnDeg: 30 },
  curly: { label: "curly", turnDeg: 60 },
} as const;
export type OwnCurl = keyof typeof OWN_CURLS;
