import { mixedPasteSchema } from "../../../processing/paste";

export const pasteMixedPayload = () => mixedPasteSchema;
