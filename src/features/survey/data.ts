import "server-only";
import { eq } from "drizzle-orm";
import { client } from "@/db/schema";
import { newestSurvey } from "./newestSurvey";
import { inStudio, together } from "@/server/inStudio";
import type { Member } from "@/server/member";

/** A client's name and newest survey to start from, or null when the client is not in this studio. */
export function surveyPage(me: Member, clientId: string) {
  return inStudio(me, async (tx) => {
    const [[person], survey] = await together([
      tx.select({ name: client.name, mannequin: client.mannequin }).from(client).where(eq(client.id, clientId)),
      newestSurvey(tx, clientId),
    ]);
    return person ? { ...person, survey } : null;
  });
}
