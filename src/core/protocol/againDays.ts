import type { Protocol } from "./protocol";

/** Where a protocol does not say after how many days it may be done again. Common practice: six weeks. */
const USUAL_DAYS = 42;

/** After how many days colour or a lift is proposed again; null for a visit that was not planned. */
export const againDays = (protocol: Pick<Protocol, "againAfterDays"> | null): number => protocol?.againAfterDays || USUAL_DAYS;
