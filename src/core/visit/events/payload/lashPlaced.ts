import { z } from "zod";
import { spotOf } from "./spot";

export const lashPlacedPayload = () => z.strictObject(spotOf);
