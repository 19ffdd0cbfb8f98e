/**
 * Fills as counts, a place a fill: of `worn` lashes when the client left, `left` were on `days` later, where nature alone
 * would have left the share `natural`. `client` numbers the clients from 0 to `clients` − 1.
 */
export type FillCounts = {
  readonly worn: Float64Array;
  readonly left: Float64Array;
  readonly days: Float64Array;
  readonly natural: Float64Array;
  readonly client: Int32Array;
  readonly clients: number;
};
