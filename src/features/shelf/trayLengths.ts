import { FIBRE_LENGTHS_MM } from "@/core/lash";

const { shortest, longestWorn, longestPractice } = FIBRE_LENGTHS_MM;
const between = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => from + i);

/** Lengths of trays that clients wear, mm. */
export const WORN_LENGTHS = between(shortest, longestWorn);
/** Lengths for practice on a mannequin head only, mm. */
export const PRACTICE_LENGTHS = between(longestWorn + 1, longestPractice);
