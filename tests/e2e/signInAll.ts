import { mkdirSync, writeFileSync } from "node:fs";
import { request } from "@playwright/test";
import { secrets, stateOf, url } from "./support";

/** Signs everyone of the demo in once. */
export default async function signInAll() {
  mkdirSync("test-results", { recursive: true });
  for (const who of ["maren", "jossa", "pim"] as const) {
    const api = await request.newContext({ baseURL: url, extraHTTPHeaders: { origin: url } });
    const answer = await api.post("/api/auth/sign-in/email", { data: { email: `${who}@tideroom.example`, password: secrets.password } });
    if (!answer.ok()) throw new Error(`${who} could not sign in: ${answer.status()} ${await answer.text()}`);
    writeFileSync(stateOf(who), JSON.stringify(await api.storageState()));
    await api.dispose();
  }
}
