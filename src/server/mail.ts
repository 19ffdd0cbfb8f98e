import "server-only";
import { createTransport } from "nodemailer";
import { env } from "./env";
import { log } from "./log";
import { withoutWords } from "./withoutWords";

export type Mail = { readonly to: string; readonly subject: string; readonly text: string };

/** Whether the settings name a mail gateway. Without one, links are copied and handed on by hand. */
export const sendsMail = (): boolean => env().IVY_MAIL_URL !== undefined;

const PATIENCE_MS = 10_000;

/** Hands a mail to the gateway; false where there is none, or it did not take it. */
export async function sendMail({ to, subject, text }: Mail): Promise<boolean> {
  const { IVY_MAIL_URL: url, IVY_MAIL_FROM: from } = env();
  if (!url) return false;
  try {
    const patience = { connectionTimeout: PATIENCE_MS, greetingTimeout: PATIENCE_MS, socketTimeout: PATIENCE_MS };
    const { protocol, hostname, port, username, password } = new URL(url);
    const transport = createTransport({
      host: hostname,
      ...(port ? { port: Number(port) } : {}),
      secure: protocol === "smtps:",
      ...(username ? { auth: { user: decodeURIComponent(username), pass: decodeURIComponent(password) } } : {}),
      ...patience,
    });
    await transport.sendMail({
      from: from ?? `Ivy Thread <ivy-thread@${new URL(env().IVY_BASE_URL).hostname}>`,
      to: { name: "", address: to },
      subject,
      text,
    });
    return true;
  } catch (error) {
    log.warn({ err: withoutWords(error) }, "mail not sent");
    return false;
  }
}
