import { z } from "zod";
import { onArea } from "./onArea";

export const coatedPayload = () => z.strictObject(onArea);
