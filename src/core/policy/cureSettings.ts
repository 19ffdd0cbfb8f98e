import type { FinishFigures, LedgerSettings } from "../adhesive";
import type { Policy } from "./policy";

/** What the studio's policy says of curing, in seconds and hours, as the cure ledger wants it. */
export function cureSettings(policy: Policy): LedgerSettings {
  const figures: FinishFigures = {
    fan: { waitS: 0, eyesAfterS: null, waterHours: policy.waterHours },
    bonder: { waitS: policy.bonderWaitMinutes * 60, eyesAfterS: policy.bonderEyesMinutes * 60, waterHours: policy.bonderWaterHours },
    mist: { waitS: 0, eyesAfterS: policy.mistEyesMinutes * 60, waterHours: policy.mistWaterHours },
    spray: { waitS: 0, eyesAfterS: policy.sprayEyesMinutes * 60, waterHours: policy.sprayWaterHours },
  };
  return { holdS: policy.holdSeconds, eyesOpenS: policy.eyesOpenMinutes * 60, figures };
}
