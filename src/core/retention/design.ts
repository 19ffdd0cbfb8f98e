import { Independent } from "../statistics/independentColumns";
import type { Behind, FactorColumns } from "./factorColumns";
import type { FillFacts } from "./fillFacts";
import type { Silent } from "./findings";

/** A column with less of its own than this, the others known, is not told from them; beside the season alone it must have more. */
const OWN_SHARE = 0.05;
const OWN_SHARE_OF_SEASON = 0.25;
/** Fills behind a column of a visit, clients behind one of a client, beyond those the clients themselves take. */
const BEHIND_A_COLUMN = 3;

const SEASON = "the season";

/** Columns of the reckoning: the constant, the season, then factors as long as there are fills and clients to bear them. */
export function designOf(fills: readonly FillFacts[], of: readonly FactorColumns[], behind: Behind) {
  const columns: Float64Array[] = [Float64Array.from(fills, () => 1)];
  const names = [""];
  const [independent, season] = [new Independent(fills.length), new Independent(fills.length)];
  for (const some of [independent, season]) some.add(columns[0]!);
  for (const wave of ["cos", "sin"] as const) {
    const column = Float64Array.from(fills, ({ yearShare }) => Math[wave](2 * Math.PI * yearShare));
    if (independent.add(column, OWN_SHARE) !== null) continue;
    season.add(column);
    columns.push(column);
    names.push(SEASON);
  }
  const leftOut = new Map<string, Silent["why"]>();
  const at = new Map<string, readonly number[]>();
  const most = { visit: (behind.fills - behind.clients) / BEHIND_A_COLUMN, client: behind.clients / BEHIND_A_COLUMN };
  const used = { visit: columns.length - 1, client: 0 };
  for (const { factor, told, beside } of of) {
    const kind = factor.belongsTo;
    const wants = told.length + beside.length;
    if (used[kind] + wants > most[kind]) {
      const more = Math.ceil((used[kind] + wants - most[kind]) * BEHIND_A_COLUMN);
      leftOut.set(factor.id, { is: "tooFew", fills: kind === "visit" ? more : 0, clients: kind === "client" ? more : 0 });
      continue;
    }
    const likes = told.flatMap(({ column }) => {
      const like = independent.likest(column, OWN_SHARE);
      return like !== null ? [names[like]!] : season.likest(column, OWN_SHARE_OF_SEASON) !== null ? [SEASON] : [];
    });
    if (likes.length > 0) {
      leftOut.set(factor.id, { is: "goesWith", other: likes[0]! });
      continue;
    }
    at.set(
      factor.id,
      told.map((_, i) => columns.length + i),
    );
    for (const { column } of told) {
      independent.add(column);
      columns.push(column);
      names.push(factor.label);
    }
    for (const column of beside) {
      if (independent.add(column, OWN_SHARE) !== null) continue;
      columns.push(column);
      names.push(factor.label);
    }
    used[kind] += wants;
  }
  return { columns, leftOut, at, visitColumns: used.visit, clientColumns: used.client };
}
