import "server-only";
import type { Policy } from "@/core/policy";
import { policy } from "@/db/schema";
import type { StudioTransaction } from "./inStudio";

const asked = new WeakMap<StudioTransaction, Promise<Policy>>();

/** The policy of the studio, read once a transaction however many ask. A transaction that changes it must not ask again. */
export function studioPolicy(tx: StudioTransaction): Promise<Policy> {
  let found = asked.get(tx);
  if (!found) {
    found = tx
      .select({ document: policy.document })
      .from(policy)
      .then(([held]) => held!.document);
    asked.set(tx, found);
  }
  return found;
}
