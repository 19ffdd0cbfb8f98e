/** What the trade sells: 5 to 18 mm by whole millimetres; up to 25 for practice on a mannequin head. */
export const FIBRE_LENGTHS_MM = { shortest: 5, longestWorn: 18, longestPractice: 25 } as const;

/** The longest fibre that is set at all on a client, or on a mannequin head, mm. Common practice. */
export const longestFibreMm = (mannequin: boolean): number => (mannequin ? FIBRE_LENGTHS_MM.longestPractice : FIBRE_LENGTHS_MM.longestWorn);

/** Diameters an extension is sold in, mm. Common practice. */
export const FIBRE_DIAMETERS_MM = [0.03, 0.04, 0.05, 0.06, 0.07, 0.1, 0.12, 0.15, 0.18, 0.2, 0.25] as const;
