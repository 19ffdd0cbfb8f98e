import { defineConfig } from "@playwright/test";
import { CHROMIUM } from "./scripts/lib/chromium.mjs";

/** Run by scripts/test.mjs, which starts the built app, its database and a hygrometer first. */
export default defineConfig({
  testDir: "tests/e2e",
  outputDir: "test-results",
  workers: 1,
  retries: 0,
  // Generous, for busy machines: a test waits for what it wants to see, never for a time to pass.
  timeout: 120_000,
  expect: { timeout: 20_000 },
  reporter: [["list"], ["json"]],
  globalSetup: "./tests/e2e/signInAll.ts",
  use: {
    baseURL: process.env.IVY_E2E_URL,
    viewport: { width: 1280, height: 800 },
    trace: "retain-on-failure",
    screenshot: "only-on-failure",
    // A page that one answers for would answer past what a test puts in the server's place.
    serviceWorkers: "block",
    launchOptions: CHROMIUM,
  },
});
