import { z } from "zod";
import { onArea } from "./onArea";

export const extendedPayload = () => z.strictObject({ ...onArea, byS: z.int().min(15).max(600) });
