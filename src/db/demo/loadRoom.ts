import * as schema from "../schema";
import { dayNumber, demoId, studioId, wallClock, type Tx } from "./ids";
import { ADHESIVES, airAt, HANDS, HYGROMETERS, timedAt } from "./scenario";

/** Set tests of the bottles and placements of the hands, as if timed day by day. */
export async function loadGlue(tx: Tx, today: string) {
  const tests = ADHESIVES.flatMap(({ document, lots }) =>
    lots.flatMap(({ lot, openedDaysAgo, emptiedDaysAgo = 0, agesBy = 0 }) =>
      Array.from({ length: Math.floor((openedDaysAgo - emptiedDaysAgo) / 2) }, (_, i) => {
        const daysAgo = openedDaysAgo - 2 * i;
        const air = airAt(9 + ((i * 3) % 8), dayNumber(today, daysAgo));
        return {
          studioId,
          id: demoId(`test ${lot} ${i}`),
          bottleId: demoId(lot),
          at: wallClock(today, daysAgo, 9 + ((i * 3) % 8), 7 + i),
          seconds: timedAt(document.setTimeS, air, i, (2 * i * agesBy) / 7),
          ...air,
          memberId: demoId(i % 3 === 0 ? "jossa" : "maren"),
        };
      }),
    ),
  );
  await tx.insert(schema.setTest).values(tests);
  await tx.insert(schema.handTime).values(
    HANDS.flatMap(({ person, technique, seconds }) =>
      seconds.map((value, i) => ({
        studioId,
        id: demoId(`hand ${person} ${technique} ${i}`),
        memberId: demoId(person),
        technique,
        seconds: value,
        at: wallClock(today, 3 + i, 11, i),
      })),
    ),
  );
}

/** A day's air by every hygrometer, every ten minutes between two hours. */
export async function loadAir(tx: Tx, today: string, daysAgo: number, fromHour: number, toHour: number) {
  const rows = HYGROMETERS.flatMap(({ key, room, offset }, r) =>
    Array.from({ length: (toHour - fromHour) * 6 }, (_, i) => {
      const hour = fromHour + i / 6;
      const air = airAt(hour, dayNumber(today, daysAgo) + r * 0.4);
      // An old sensor comes away from the others little by little.
      const away = offset * Math.max(0, 1 - daysAgo / 60);
      return {
        studioId,
        roomId: demoId(room),
        sensorId: demoId(`sensor ${key}`),
        takenAt: wallClock(today, daysAgo, Math.floor(hour), Math.round((hour % 1) * 60)),
        temperatureC: air.temperatureC,
        relativeHumidity: Math.round((air.relativeHumidity + away) * 1000) / 1000,
      };
    }),
  );
  if (rows.length > 0) await tx.insert(schema.reading).values(rows).onConflictDoNothing();
}
