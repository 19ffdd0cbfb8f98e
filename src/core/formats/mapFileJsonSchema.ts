import { z } from "zod";
import { mapFileSchema } from "./mapFile";

/** The published JSON Schema (draft 2020-12) of the map file. */
export function mapFileJsonSchema(): Record<string, unknown> {
  return {
    ...z.toJSONSchema(mapFileSchema),
    title: "Ivy Thread lash map, version 3",
    description: "Extension lengths, curls and diameters per layer and zone of both eyes, with the survey they were planned for.",
  };
}
