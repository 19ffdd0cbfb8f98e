import { drawLids } from "./drawLids";
import { drawOpening, type EyeDrawing } from "./drawOpening";
import type { OpenEye } from "./openEye";
import type { Shape } from "./shapes";

/** An open eye from the front without its upper lashes, mm as in `openEye`, back to front. */
export const drawOpenEye = (eye: OpenEye, drawing: EyeDrawing): Shape[] => [...drawOpening(eye, drawing), ...drawLids(eye, drawing)];
