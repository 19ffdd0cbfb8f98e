import { fold } from "@/core/client";
import * as schema from "../schema";
import { demoId, studioId, wallClock, type Tx } from "./ids";

/** How somebody of the scenario is reached, by their place in it: most by telephone, many by e-mail, some by neither. */
export function reached(name: string, place: number): { readonly phone: string; readonly email: string } {
  const words = fold(name).split(" ");
  const isLatin = /^[a-z ]+$/.test(fold(name));
  return {
    phone: place % 5 === 4 ? "" : `0555 01${String(20 + place).padStart(2, "0")} ${String(100 + ((place * 37) % 900))}`,
    email: place % 3 === 2 || !isLatin ? "" : `${words[0]}.${words.at(-1)}@post.example`,
  };
}

/** People on the list who have not come: an entry that is likely a double, two who moved away. */
const LISTED = [
  {
    key: "listed 1",
    name: "Leila Oystercatcher",
    ...reached("Leïla Oystercatcher", 10),
    notes: "Wrote down at the door, in a hurry.",
    daysAgo: 6,
    archivedDaysAgo: null,
  },
  {
    key: "listed 2",
    name: "Åsa Gullvik",
    ...reached("Åsa Gullvik", 60),
    notes: "Moved to the islands.",
    daysAgo: 500,
    archivedDaysAgo: 140,
  },
  { key: "listed 3", name: "Łucja Żółkiewna", ...reached("Łucja Żółkiewna", 61), notes: "", daysAgo: 420, archivedDaysAgo: 90 },
] as const;

export async function loadListed(tx: Tx, today: string) {
  await tx.insert(schema.client).values(
    LISTED.map(({ key, name, phone, email, notes, daysAgo, archivedDaysAgo }) => ({
      ...{ studioId, id: demoId(key), name, phone, email, notes },
      createdAt: wallClock(today, daysAgo, 12),
      archivedAt: archivedDaysAgo === null ? null : wallClock(today, archivedDaysAgo, 12),
    })),
  );
}
