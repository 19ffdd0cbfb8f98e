import { root } from "./project.mjs";
import { freePort, untilAnswers } from "./ports.mjs";
import { start, stop } from "./run.mjs";

/** Starts the simulated mail gateway; returns { url (for IVY_MAIL_URL), page, stop }. */
export async function startMailGateway(folder, { pagePort: wished = 0, env = {} } = {}) {
  const smtpPort = await freePort();
  // Where it is looked at is printed: there it may lie anywhere.
  const pagePort = await freePort(wished).catch(() => freePort());
  const child = start(process.execPath, ["simulators/mailGateway.mjs"], {
    cwd: root,
    env: { ...process.env, IVY_MAIL_FOLDER: folder, IVY_SMTP_PORT: String(smtpPort), IVY_PAGE_PORT: String(pagePort), ...env },
  });
  const page = `http://127.0.0.1:${pagePort}`;
  await untilAnswers(page, { child });
  return { url: `smtp://127.0.0.1:${smtpPort}`, page, stop: () => stop(child) };
}
