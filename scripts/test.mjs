import { spawn } from "node:child_process";
import { readFileSync, rmSync } from "node:fs";
import path from "node:path";
import { loadDemo, migrate, startApp, startHygrometer } from "./lib/app.mjs";
import { claim } from "./lib/claim.mjs";
import { ensureDebian } from "./lib/packages.mjs";
import { startMailGateway } from "./lib/mail.mjs";
import { removePostgres, startPostgres } from "./lib/postgres.mjs";
import { ensureBuild, ensurePackages, nextBin, root, secretsOf, stateFolder } from "./lib/project.mjs";
import { run, runBeside, stop, stopOnSignals } from "./lib/run.mjs";

// npm test: everything, in order of cost. npm test -- unit | integration | e2e runs a part.

const only = process.argv[2];
const wanted = (part) => !only || only === part;
const started = Date.now();
const counts = { passed: 0, failed: 0 };
const stops = [];
stopOnSignals(stops);
const failures = [];
/** How long each test file, and each test in a browser, took. */
const took = [];
const bin = (name) => path.join(root, "node_modules/.bin", name);

async function step(name, work) {
  const begun = Date.now();
  console.log(`\n— ${name}`);
  try {
    const { passed = 1, failed = 0 } = (await work()) ?? {};
    counts.passed += passed;
    counts.failed += failed;
    if (failed) failures.push(name);
  } catch (error) {
    counts.failed += 1;
    failures.push(name);
    console.error(error instanceof Error ? error.message : error);
  }
  console.log(`  ${name}: ${((Date.now() - begun) / 1000).toFixed(1)} s`);
}

/** Runs a test runner to its end whatever it finds; its JSON report says what passed. */
function report(command, args, env, read) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { cwd: root, stdio: ["ignore", "inherit", "inherit"], env: { ...process.env, ...env } });
    child.on("error", reject);
    child.on("exit", (code) => {
      try {
        const found = read();
        resolve(code !== 0 && found.failed === 0 ? { ...found, failed: 1 } : found);
      } catch (error) {
        reject(new Error(`${path.basename(command)} ended with ${code} and left no report: ${error.message}`));
      }
    });
  });
}
function jest(projects, env = {}, more = []) {
  const file = path.join(stateFolder, `jest-${projects[0]}.json`);
  rmSync(file, { force: true });
  return report(bin("jest"), ["--selectProjects", ...projects, "--json", `--outputFile=${file}`, "--silent", ...more], env, () => {
    const { numPassedTests, numFailedTests, numFailedTestSuites, testResults } = JSON.parse(readFileSync(file, "utf8"));
    for (const { name, startTime, endTime } of testResults) took.push({ what: path.relative(root, name), ms: endTime - startTime });
    return { passed: numPassedTests, failed: Math.max(numFailedTests, numFailedTestSuites) };
  });
}

try {
  await claim(stateFolder, "test");
  ensureDebian(["postgresql", "chromium", "poppler-utils"]);
  ensurePackages();
  const begunTests = Date.now();
  const check = (name, ...args) => runBeside(bin(name), args, { cwd: root });
  if (wanted("static")) run(process.execPath, [nextBin, "typegen"], { cwd: root, stdio: ["ignore", "ignore", "inherit"] });
  // Linting knows the types and takes as long as the rest of these together: side by side on two cores.
  await Promise.all([
    wanted("static") && step("lint", () => check("eslint", ".", "--max-warnings=0")),
    (async () => {
      if (wanted("static"))
        await step("types and boundaries", async () => {
          await check("tsc", "--noEmit");
          await check("depcruise", "src", "simulators", "tests", "--config", ".dependency-cruiser.cjs", "--output-type", "err");
          await check("depcruise", "src", "--config", ".dependency-cruiser.folders.cjs", "--output-type", "err");
        });
      if (wanted("unit")) await step("unit and reference", () => jest(["unit", "reference"]));
    })(),
  ]);
  if (wanted("integration"))
    await step("integration", async () => {
      removePostgres(stateFolder, "integration");
      const postgres = await startPostgres(stateFolder, { name: "integration", durable: false });
      stops.push(() => postgres.destroy());
      migrate(postgres);
      const empty = await postgres.emptyDatabase("ivy_older");
      const beforeBookings = await postgres.emptyDatabase("ivy_before_bookings");
      const restored = await postgres.emptyDatabase("ivy_restored");
      // One after the other, however many processors there are: some ask of everything the database holds.
      return jest(["integration"], { IVY_TEST_URLS: JSON.stringify({ ...postgres.urls, empty, beforeBookings, restored }) }, [
        "--runInBand",
      ]);
    });
  if (wanted("e2e"))
    await step("end to end", async () => {
      ensureBuild();
      removePostgres(stateFolder, "e2e");
      const postgres = await startPostgres(stateFolder, { name: "e2e", durable: false });
      stops.push(() => postgres.destroy());
      rmSync(path.join(stateFolder, "e2e.app.json"), { force: true });
      const secrets = secretsOf("e2e");
      migrate(postgres);
      loadDemo(postgres, secrets);
      const mailFolder = path.join(stateFolder, "e2e-mail");
      rmSync(mailFolder, { recursive: true, force: true });
      const mail = await startMailGateway(mailFolder);
      stops.push(() => mail.stop());
      const app = await startApp(postgres, secrets, { env: { IVY_LOG: "error", IVY_MAIL_URL: mail.url } });
      stops.push(() => app.stop());
      const hygrometer = startHygrometer(app.url, secrets.tokens.front, { IVY_EVERY_S: "2", IVY_HOUR: "9" });
      stops.push(() => stop(hygrometer));
      const file = path.join(stateFolder, "e2e.json");
      rmSync(file, { force: true });
      return report(
        bin("playwright"),
        ["test", ...process.argv.slice(3)],
        {
          IVY_E2E_URL: app.url,
          IVY_E2E_SECRETS: JSON.stringify(secrets),
          IVY_E2E_MAIL: mail.page,
          IVY_E2E_URLS: JSON.stringify(postgres.urls),
          PLAYWRIGHT_JSON_OUTPUT_NAME: file,
        },
        () => {
          const { stats, suites } = JSON.parse(readFileSync(file, "utf8"));
          for (const { file: name, specs } of suites)
            for (const { title, tests } of specs)
              took.push({
                what: `${name}: ${title}`,
                ms: Math.max(...tests.flatMap(({ results }) => results.map(({ duration }) => duration))),
              });
          // A test that passed only on a second try is broken.
          return { passed: stats.expected, failed: stats.unexpected + stats.flaky + stats.skipped };
        },
      );
    });
  console.log(
    `\nTests took ${Math.round((Date.now() - begunTests) / 1000)} s, ${Math.round((Date.now() - started) / 1000)} s with installs.`,
  );
} catch (error) {
  counts.failed += 1;
  console.error(`\n${error instanceof Error ? error.message : error}`);
} finally {
  for (const end of stops.reverse()) await end();
}
if (took.length > 0) {
  console.log("What takes longest:");
  for (const { what, ms } of took.sort((a, b) => b.ms - a.ms).slice(0, 8))
    console.log(`  ${(ms / 1000).toFixed(1).padStart(6)} s  ${what}`);
}
if (failures.length) console.log(`Failed: ${failures.join(", ")}`);
console.log(`${counts.passed} passed, ${counts.failed} failed`);
process.exit(counts.failed ? 1 : 0);
