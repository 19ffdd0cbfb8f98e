import { killRun } from "../support/killRun";
import { expect, secrets, test } from "./support";

test("ten kills of app and database under twenty taps and twenty readings a second, with answers cut off: nothing lost, nothing doubled", async () => {
  test.setTimeout(300_000);
  const found = await killRun({ kills: 10, seed: 18, stateFolder: `${process.cwd()}/.ivy`, secrets });
  console.log(JSON.stringify(found));
  expect([found.appKills, found.databaseKills]).toEqual([8, 2]);
  expect(found.answersCut).toBeGreaterThan(0);
  expect(found.events).toEqual({ made: expect.any(Number), lost: 0, doubled: 0 });
  expect(found.readings).toEqual({ made: expect.any(Number), lost: 0, doubled: 0 });
  expect(found.events.made).toBeGreaterThan(200);
  expect(found.beadsCounted).toBe(found.events.made);
});
