import "server-only";
import { notFound } from "next/navigation";
import { z } from "zod";

/** A UUID out of the address; anything else is a page that is not here. */
export function idOr404(text: string): string {
  const parsed = z.uuid().safeParse(text);
  return parsed.success ? parsed.data : notFound();
}
