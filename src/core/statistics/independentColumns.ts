/** Columns added one by one, each with what it has of its own beside those before it: Gram and Schmidt, twice over. */
export class Independent {
  private readonly basis: Float64Array[] = [];

  constructor(private readonly length: number) {}

  /** Adds a column. Where less than `least` of it is its own it is not added, and the place of the one likest to it is given. */
  add(column: Float64Array, least = 0): number | null {
    const found = this.likest(column, least);
    if (found === null) this.basis.push(this.ownOf(column).unit);
    return found;
  }

  /** The place of the added column most like it, where less than `least` of the column is its own; null where enough is. */
  likest(column: Float64Array, least: number): number | null {
    const { share, along } = this.ownOf(column);
    if (share > least && share > 1e-9) return null;
    return along.reduce((best, value, i) => (Math.abs(value) > Math.abs(along[best]!) && i > 0 ? i : best), 0);
  }

  private ownOf(column: Float64Array): { readonly unit: Float64Array; readonly share: number; readonly along: number[] } {
    const own = Float64Array.from(column);
    const along = this.basis.map(() => 0);
    for (let round = 0; round < 2; round++)
      this.basis.forEach((unit, b) => {
        let by = 0;
        for (let i = 0; i < this.length; i++) by += own[i]! * unit[i]!;
        along[b]! += by;
        for (let i = 0; i < this.length; i++) own[i]! -= by * unit[i]!;
      });
    const sum = (of: Float64Array) => of.reduce((total, value) => total + value ** 2, 0);
    // What the constant takes says nothing of likeness to another.
    const about = sum(column) - (along[0] ?? 0) ** 2;
    const left = sum(own);
    const norm = Math.sqrt(left);
    return {
      unit: norm > 0 ? own.map((value) => value / norm) : own,
      share: about > 0 ? left / about : this.basis.length === 0 ? 1 : 0,
      along,
    };
  }
}
