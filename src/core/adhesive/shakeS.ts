/** How this studio shakes, s. */
export type ShakeSettings = {
  readonly shakeBy: "hand" | "machine";
  readonly shakeSeconds: number;
  readonly shakeMachineSeconds: number;
  readonly shakeAgainSeconds: number;
};

/**
 * Seconds a bottle is shaken before a bead: whole before its first, short before a later one; a machine is quicker than a hand.
 * A leaflet's figure is for a hand. Common practice.
 */
export function shakeSecondsFor(policy: ShakeSettings, leafletS: number | undefined, isLater: boolean): number {
  const whole = policy.shakeBy === "machine" ? policy.shakeMachineSeconds : (leafletS ?? policy.shakeSeconds);
  return isLater ? Math.min(whole, policy.shakeAgainSeconds) : whole;
}
