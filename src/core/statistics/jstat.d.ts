/** What is used of jstat, which ships no types. */
declare module "jstat" {
  type Distribution2 = {
    readonly cdf: (x: number, a: number, b: number) => number;
    readonly inv: (share: number, a: number, b: number) => number;
  };
  type Distribution1 = { readonly cdf: (x: number, df: number) => number; readonly inv: (share: number, df: number) => number };
  const jStat: {
    readonly beta: Distribution2;
    readonly centralF: Distribution2;
    readonly studentt: Distribution1;
    readonly chisquare: Distribution1;
  };
  export = jStat;
}
