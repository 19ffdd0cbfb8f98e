import "server-only";
import { cycleOf, type Hazard } from "@/core/growth";
import type { Policy } from "@/core/policy";
import {
  BARE_BELOW_SD_DAYS,
  hazardFrom,
  hazardOfClients,
  ownHazard,
  type FillFacts,
  type HazardFrom,
  type HazardOfClients,
} from "@/core/retention";
import type { StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { lastedSets } from "./lastedSets";

/** The studio's own is taken from its latest fills; more of them say hardly more, and years ago says less. */
const FILLS = 400;
/** For so long what was reckoned of a studio stands, ms: one more fill among hundreds moves it by nothing. */
const STANDS_MS = 10 * 60_000;

type Known = { readonly reckonedAtMs: number; readonly supposed: string; readonly clients: HazardOfClients };
const known = new Map<string, Known>();

/** What bonds of the studio's clients lose a day, from its latest fills. */
async function hazardOfStudio(tx: StudioTransaction, me: Member, policy: Policy): Promise<HazardOfClients> {
  const supposed = JSON.stringify(cycleOf(policy));
  const kept = known.get(me.studioId);
  if (kept && kept.supposed === supposed && Date.now() - kept.reckonedAtMs < STANDS_MS) return kept.clients;
  const sets = await lastedSets(tx, me, null, policy, new Map(), { most: FILLS, of: "latest" });
  const clients = hazardOfClients(
    sets.map(({ facts }) => facts),
    { cycle: cycleOf(policy), bareBelowSd: BARE_BELOW_SD_DAYS },
  );
  known.set(me.studioId, { reckonedAtMs: Date.now(), supposed, clients });
  return clients;
}

/** Bonds a client loses a day, and by what that is known. */
export type KnownHazard = { readonly hazard: Hazard; readonly from: HazardFrom };

/** Bonds a client loses a day by the fills that counted theirs, as far as those tell, else by the studio's; and by what it is known. */
export async function clientHazard(tx: StudioTransaction, me: Member, own: readonly FillFacts[], policy: Policy): Promise<KnownHazard> {
  const clients = await hazardOfStudio(tx, me, policy);
  return { hazard: ownHazard(own, clients, cycleOf(policy)), from: hazardFrom(own, clients) };
}

/** The same where the client's own fills are still to be read. */
export async function hazardOfClient(tx: StudioTransaction, me: Member, clientId: string, policy: Policy): Promise<KnownHazard> {
  const own = await lastedSets(tx, me, [clientId], policy);
  return clientHazard(
    tx,
    me,
    own.map(({ facts }) => facts),
    policy,
  );
}
