import { z } from "zod";
import { depthSchema } from "../../../processing/runPlan";
import { onArea } from "./onArea";

export const lookedPayload = () => z.strictObject({ ...onArea, depth: depthSchema });
