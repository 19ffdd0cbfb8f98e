/** A stretch at an end of the lash line no wider than a fifth of it is a corner. Common practice. */
export const WIDEST_CORNER = 0.2;
