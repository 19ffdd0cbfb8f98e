import { z } from "zod";
import { onArea } from "./onArea";

export const wipedPayload = () => z.strictObject(onArea);
