import { SPEAKS_FROM } from "./factorColumns";
import { countsOf, EXTREME_SD, isLearnedFrom, type CycleSupposed } from "./fillCounts";
import type { FillFacts } from "./fillFacts";
import { fitHazard } from "./hazardFit";
import { NoFit } from "./hazardMode";
import { USUAL_CLIENTS, type HazardOfClients } from "./ownHazard";

/**
 * What bonds of a studio's clients lose a day, from its own fills: the middle of its clients, and how far the next one may
 * lie from it. The usual ones below 30 fills or 10 clients, and where the counts bear nothing.
 */
export function hazardOfClients(
  all: readonly Pick<FillFacts, "clientId" | "worn" | "left" | "days" | "bareBelowDays">[],
  supposed: CycleSupposed,
): HazardOfClients {
  const fills = all.filter(isLearnedFrom);
  const clientIds = [...new Set(fills.map(({ clientId }) => clientId))];
  if (fills.length < SPEAKS_FROM.fills || clientIds.length < SPEAKS_FROM.clientsOfFills) return USUAL_CLIENTS;
  try {
    const { counts } = countsOf(fills, clientIds, supposed);
    const { beta, covariance, clientSd } = fitHazard(counts, [new Float64Array(fills.length).fill(1)]);
    // The middle is not known exactly either.
    const [log, spread] = [beta[0]!, Math.sqrt(clientSd ** 2 + covariance[0]![0]!)];
    // Where next to nothing let go, or nearly all did, the counts give no figure.
    return spread < EXTREME_SD ? { perDay: Math.exp(log), spread } : USUAL_CLIENTS;
  } catch (error) {
    if (error instanceof NoFit) return USUAL_CLIENTS;
    throw error;
  }
}
