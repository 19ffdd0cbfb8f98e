import { readFileSync } from "node:fs";
import { killRun } from "../tests/support/killRun";

// Two hundred kills of app and database at random (IVY_KILLS for another number), with answers cut off: what was lost, what was doubled.

const stateFolder = process.env.IVY_BENCH_STATE!;
const secrets = JSON.parse(readFileSync(`${stateFolder}/bench.app.json`, "utf8")) as Parameters<typeof killRun>[0]["secrets"];
const found = await killRun({ kills: Number(process.env.IVY_KILLS ?? 200), seed: 2026, stateFolder, secrets });
const { events, readings } = found;
console.log(
  `${found.appKills} kills of the app, ${found.databaseKills} of the database, ${found.answersCut} answers cut off, ${Math.round(found.seconds)} s`,
);
console.log(`events    ${events.made} made, ${events.lost} lost, ${events.doubled} doubled; ${found.beadsCounted} counted by the visit`);
console.log(`readings  ${readings.made} made, ${readings.lost} lost, ${readings.doubled} doubled`);
if (events.lost + events.doubled + readings.lost + readings.doubled > 0 || found.beadsCounted !== events.made) process.exitCode = 1;
