import "server-only";
import type { Policy } from "@/core/policy";
import { policy } from "@/db/schema";
import type { StudioTransaction } from "./inStudio";

const asked = new WeakMap<StudioTransaction, Promise<Policy>>();

/** The policy of the studio, read once a transaction however many ask. A transaction that changes it must not ask again. */
export function studioPolicy(tx: StudioTransaction): Promise<Policy> {
  let reading = asked.get(tx);
  if (!reading) {
    reading = tx
      .select({ document: policy.document })
      .from(policy)
      .then(([row]) => row!.document);
    asked.set(tx, reading);
  }
  return reading;
}
