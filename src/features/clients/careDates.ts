import "server-only";
import { patchTestWords } from "@/features/care/patchTestWords";
import { dayWords } from "@/ui/dayWords";
import type { ShownStanding } from "@/features/care/PatchTests";
import type { ShownTest } from "@/features/care/PatchTestSheets";
import { formatIn, timeIn, todayIn } from "@/server/studioTime";
import type { ClientPage } from "./data";

/** What the client page says of care, its moments in the studio's words: with the hour where it is known, else the day alone. */
export function careDates({ person, answers, patchStandings, tests, liftings, products }: ClientPage, timeZone: string, now: Date) {
  const moment = (ms: number) => formatIn(timeZone, new Date(ms), "d MMM yyyy HH:mm");
  const day = (ms: number) => formatIn(timeZone, new Date(ms), "d MMM yyyy");
  const when = (ms: number, hourKnown: boolean) => (hourKnown ? moment(ms) : day(ms));
  const nameOf = (id: string) => products.find((one) => one.id === id)?.name ?? "a product no longer on the shelf";
  return {
    born: person.bornOn ? dayWords(person.bornOn) : null,
    answered: answers ? day(answers.confirmedAtMs) : null,
    standings: patchStandings.map(({ family, standing }): ShownStanding => ({ family, ...patchTestWords(standing, family, day) })),
    tests: tests.map((test): ShownTest => ({
      id: test.id,
      family: test.family,
      product: test.productId ? nameOf(test.productId) : null,
      placedAtMs: test.placedAtMs,
      readAfterHours: test.readAfterHours,
      placed: when(test.placedAtMs, test.hourKnown),
      readings: test.readings.map((reading) => ({
        id: reading.id,
        result: reading.result,
        severe: reading.severe,
        when: when(reading.atMs, reading.hourKnown),
        liftings: liftings
          .filter(({ readingId }) => readingId === reading.id)
          .map(({ productId, finding, atMs }) => ({ product: nameOf(productId), finding, when: day(atMs) })),
      })),
    })),
    now: { day: todayIn(timeZone, now), time: timeIn(timeZone, now), ms: now.getTime() },
  };
}
