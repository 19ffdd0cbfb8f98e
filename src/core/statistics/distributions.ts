import jStat from "jstat";

/** The value below which that share of a beta distribution lies. `betaQuantile(0.025, 128.5, 85.5)` → 0.534 */
export const betaQuantile = (share: number, a: number, b: number): number => jStat.beta.inv(share, a, b);

/** The value below which that share of Student's t lies. `studentTQuantile(0.975, 20)` → 2.086 */
export const studentTQuantile = (share: number, df: number): number => jStat.studentt.inv(share, df);

/** Share of an F distribution beyond a value: how often chance alone does as much. `fBeyond(4.35, 1, 20)` → 0.050 */
export const fBeyond = (value: number, df1: number, df2: number): number => 1 - jStat.centralF.cdf(value, df1, df2);

/** Share of a beta distribution below a value. */
export const betaBelow = (value: number, a: number, b: number): number => jStat.beta.cdf(value, a, b);
