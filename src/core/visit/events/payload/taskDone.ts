import { z } from "zod";
import { stepId } from "./onArea";

export const taskDonePayload = () => z.strictObject({ stepId });
