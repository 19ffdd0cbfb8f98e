/** Why a rinse was ended before its time. */
export const RINSE_ENDED_EARLY = ["handedOver", "clientRefused", "nothingInTheEye", "lidsOpen"] as const;
/** Why a stop was taken back. */
export const STOP_TAKEN_BACK = ["mistakenTap", "nothingHappened"] as const;
