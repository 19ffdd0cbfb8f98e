import type { FinishFigures, LedgerSettings } from "../adhesive";
import type { Policy } from "./policy";

/** How long one lash is held apart, by school: as the glue sets in this air, or so many seconds whatever the air. */
const HOLDS: Readonly<Record<Policy["hold"], (policy: Policy) => Pick<LedgerSettings, "holdS" | "holdFollowsAir">>> = {
  fromSetTime: ({ holdSeconds }) => ({ holdS: holdSeconds, holdFollowsAir: true }),
  twoToThree: () => ({ holdS: 3, holdFollowsAir: false }),
  four: () => ({ holdS: 4, holdFollowsAir: false }),
};

/** What the studio's policy says of curing, in seconds and hours, as the cure ledger wants it. */
export function cureSettings(policy: Policy): LedgerSettings {
  const figures: FinishFigures = {
    fan: { waitS: 0, eyesAfterS: null, waterHours: policy.waterHours },
    bonder: { waitS: policy.bonderWaitMinutes * 60, eyesAfterS: policy.bonderEyesMinutes * 60, waterHours: policy.bonderWaterHours },
    mist: { waitS: 0, eyesAfterS: policy.mistEyesMinutes * 60, waterHours: policy.mistWaterHours },
    spray: { waitS: 0, eyesAfterS: policy.sprayEyesMinutes * 60, waterHours: policy.sprayWaterHours },
  };
  return { ...HOLDS[policy.hold](policy), eyesOpenS: policy.eyesOpenMinutes * 60, talkTimes: 1 + policy.talkMorePercent / 100, figures };
}
