import type { Factor, Level } from "./factors";
import type { FillFacts } from "./fillFacts";

/** Below these nothing is said. Of what belongs to a visit, fills and the clients they are of; of what belongs to a client, clients. */
export const SPEAKS_FROM = { fills: 30, clientsOfFills: 10, clients: 25, levelFills: 8, levelClientsOfFills: 4, levelClients: 8 } as const;

/** How many stand behind something. */
export type Behind = { readonly fills: number; readonly clients: number };
/** A level that is told of beside the first, with its column. */
export type ToldLevel = { readonly level: Level; readonly behind: Behind; readonly column: Float64Array };
export type FactorColumns = {
  readonly factor: Factor;
  readonly behind: Behind;
  readonly reference: Level;
  readonly told: readonly ToldLevel[];
  /** What must be in the reckoning and is not told of: fills that nobody knows it of, ways too rare, what belongs to the client. */
  readonly beside: readonly Float64Array[];
};
/** What is missing before a factor can speak. */
export type Missing = {
  readonly factor: Factor;
  readonly behind: Behind;
  readonly fills: number;
  readonly clients: number;
  readonly onlyOneWay: boolean;
};

/** A factor's columns, or what is missing. Names of a studio's own levels (people, bottles) come from `nameOf`. */
export function factorColumns(
  factor: Factor,
  fills: readonly FillFacts[],
  nameOf: (factorId: string, levelId: string) => string,
): FactorColumns | Missing {
  const levelAt = fills.map((fill) => factor.levelOf(fill));
  const known = fills.flatMap((fill, i) => (levelAt[i] === null ? [] : [{ fill, level: levelAt[i]! }]));
  const behindOf = (of: readonly { readonly fill: FillFacts }[]): Behind => ({
    fills: of.length,
    clients: new Set(of.map(({ fill }) => fill.clientId)).size,
  });
  const behind = behindOf(known);
  const levels = (factor.levels ?? ownLevels(known, (id) => nameOf(factor.id, id))).map((level) => ({
    level,
    behind: behindOf(known.filter((one) => one.level === level.id)),
  }));
  const lacks = levels.map((one) => ({ ...one, lacks: lackOf(factor, one.behind) }));
  const [reference, ...others] = factor.levels ? lacks : [...lacks].sort((a, b) => b.behind.fills - a.behind.fills);
  const told = others.filter((one) => one.lacks === 0);
  const nearest = [...others].sort((a, b) => a.lacks - b.lacks)[0];
  const wanting =
    factor.belongsTo === "visit" ? Math.max(SPEAKS_FROM.fills - behind.fills, 0) : Math.max(SPEAKS_FROM.clients - behind.clients, 0);
  const ofLevels = (reference?.lacks ?? 0) + (nearest?.lacks ?? 0);
  const clientsOfFills = Math.max(SPEAKS_FROM.clientsOfFills - behind.clients, 0);
  if (!reference || reference.lacks > 0 || told.length === 0 || wanting > 0 || (factor.belongsTo === "visit" && clientsOfFills > 0))
    return {
      factor,
      behind,
      fills: factor.belongsTo === "visit" ? Math.max(wanting, ofLevels) : 0,
      clients: factor.belongsTo === "visit" ? clientsOfFills : Math.max(wanting, ofLevels),
      onlyOneWay: others.every((one) => one.behind.fills === 0) && behind.fills > 0,
    };
  const isIn = (id: string) => Float64Array.from(levelAt, (level) => Number(level === id));
  const comparedIds = new Set([reference, ...told].map(({ level }) => level.id));
  const rest = Float64Array.from(levelAt, (level) => Number(level === null || !comparedIds.has(level)));
  const beside = rest.some((value) => value > 0) ? [rest] : [];
  const columns = told.map((one) => ({ level: one.level, behind: one.behind, column: isIn(one.level.id) }));
  if (!factor.isChosenByClient) return { factor, behind, reference: reference.level, told: columns, beside };
  // What differs between clients hangs on why it was chosen for them: only what changes within a client is told of.
  const means = columns.map(({ column }) => meanByClient(fills, column));
  return {
    factor,
    behind,
    reference: reference.level,
    told: columns.map((one, i) => ({ ...one, column: one.column.map((value, at) => value - means[i]![at]!) })),
    beside: [...beside, ...means],
  };
}

/** How many more of it one level wants. */
function lackOf({ belongsTo }: Factor, { fills, clients }: Behind): number {
  return belongsTo === "client"
    ? Math.max(0, SPEAKS_FROM.levelClients - clients)
    : Math.max(0, SPEAKS_FROM.levelFills - fills, SPEAKS_FROM.levelClientsOfFills - clients);
}

function ownLevels(known: readonly { readonly level: string }[], nameOf: (id: string) => string): Level[] {
  return [...new Set(known.map(({ level }) => level))].sort().map((id) => ({ id, label: nameOf(id) }));
}

function meanByClient(fills: readonly FillFacts[], column: Float64Array): Float64Array {
  const sums = new Map<string, { sum: number; of: number }>();
  fills.forEach(({ clientId }, i) => {
    const { sum, of } = sums.get(clientId) ?? { sum: 0, of: 0 };
    sums.set(clientId, { sum: sum + column[i]!, of: of + 1 });
  });
  return Float64Array.from(fills, ({ clientId }) => {
    const { sum, of } = sums.get(clientId)!;
    return sum / of;
  });
}
