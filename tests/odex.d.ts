/** The part of odex that the tests use; the package's own sources do not pass strict checks. */
export class Solver {
  constructor(dimensions: number);
  absoluteTolerance: number;
  relativeTolerance: number;
  solve(f: (x: number, y: number[]) => number[], x0: number, y0: number[], x1: number): { y: number[] };
}
