import { mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { createServer } from "node:http";
import path from "node:path";
import { simpleParser } from "mailparser";
import { SMTPServer } from "smtp-server";

/**
 * A made-up mail gateway: takes mail by SMTP, sends none on, keeps each as a file and shows them on a page of its own, on
 * loopback alone.
 *
 *   IVY_MAIL_FOLDER=.ivy/mail node simulators/mailGateway.mjs
 *
 * | setting         | meaning                                                                        |
 * |-----------------|--------------------------------------------------------------------------------|
 * | IVY_MAIL_FOLDER | where mails are kept, one .eml each                                            |
 * | IVY_SMTP_PORT   | where it takes mail (2525)                                                     |
 * | IVY_PAGE_PORT   | where it shows them (2580): `/` as a page, `/mails.json` as data, newest first |
 * | IVY_REFUSES     | an address it does not take, to see what the app says then                     |
 */
const { env } = process;
const folder = env.IVY_MAIL_FOLDER;
if (!folder) throw new Error("IVY_MAIL_FOLDER is needed.");
const HOST = "127.0.0.1";
const MAX_BYTES = 1024 * 1024;
mkdirSync(folder, { recursive: true, mode: 0o700 });

let count = readdirSync(folder).length;
const smtp = new SMTPServer({
  disabledCommands: ["AUTH", "STARTTLS"],
  size: MAX_BYTES,
  logger: false,
  onRcptTo: ({ address }, _session, done) => done(address === env.IVY_REFUSES ? new Error("No such mailbox here.") : null),
  onData(stream, _session, done) {
    const parts = [];
    stream.on("data", (part) => parts.push(part));
    stream.on("end", () => {
      if (stream.sizeExceeded) return done(new Error("Too large."));
      const name = `${String(++count).padStart(6, "0")}.eml`;
      writeFileSync(path.join(folder, name), Buffer.concat(parts), { mode: 0o600 });
      done();
    });
  },
});
smtp.on("error", (error) => console.error(`mail gateway: ${error.message}`));
smtp.listen(Number(env.IVY_SMTP_PORT ?? 2525), HOST);

const SHOWN = 200;
/** What came in, newest first. */
async function mails() {
  const names = readdirSync(folder).filter((name) => name.endsWith(".eml"));
  return Promise.all(
    names
      .sort()
      .reverse()
      .slice(0, SHOWN)
      .map(async (name) => {
        const { to, from, subject, text, date } = await simpleParser(readFileSync(path.join(folder, name)));
        return {
          name,
          to: to?.text ?? "",
          from: from?.text ?? "",
          subject: subject ?? "",
          text: text ?? "",
          at: date?.toISOString() ?? "",
        };
      }),
  );
}

const escaped = (text) => text.replace(/[&<>"]/g, (letter) => `&#${letter.charCodeAt(0)};`);
const linked = (text) => escaped(text).replace(/https?:\/\/[^\s<&]+/g, (url) => `<a href="${url}">${url}</a>`);
const page = (all) => `<!doctype html><html lang="en"><meta charset="utf-8"><title>Mail that came in</title>
<style>body{font:16px/1.5 sans-serif;max-width:48rem;margin:2rem auto;padding:0 1rem}article{border-top:1px solid #bbb;padding:1rem 0}pre{white-space:pre-wrap;overflow-wrap:anywhere;font:inherit}</style>
<h1>Mail that came in</h1><p>A stand-in for a mail gateway: nothing is sent on. Newest first.</p>
${all.map(({ to, from, subject, text, at }) => `<article><h2>${escaped(subject)}</h2><p>to ${escaped(to)}, from ${escaped(from)}, ${escaped(at)}</p><pre>${linked(text)}</pre></article>`).join("") || "<p>None yet.</p>"}</html>`;

const server = createServer(async ({ url }, response) => {
  const all = await mails();
  const isData = url === "/mails.json";
  response.writeHead(200, { "content-type": isData ? "application/json" : "text/html; charset=utf-8", "cache-control": "no-store" });
  response.end(isData ? JSON.stringify(all) : page(all));
});
server.listen(Number(env.IVY_PAGE_PORT ?? 2580), HOST);

process.on("SIGTERM", () => process.exit(0));
