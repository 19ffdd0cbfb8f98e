/** What may be heard, each turned on and off by itself. */
export const HEARD = [
  ["sound", "Clocks sound"],
  ["speech", "Warnings spoken"],
  ["zones", "Next zone spoken"],
  ["minutes", "Minutes to place spoken"],
] as const;
