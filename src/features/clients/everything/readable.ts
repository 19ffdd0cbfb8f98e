import { group } from "d3";
import { familyLabel, type Consultation } from "@/core/care";
import { SERVICES, type ServiceId } from "@/core/service";
import { answersWords } from "@/features/care/answersWords";
import type { Everything, Row } from "./collect";

/** Anything as text that a page shows and never runs. */
const safe = (value: unknown) =>
  String(value ?? "").replace(/[&<>"']/g, (sign) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;", "'": "&#39;" })[sign]!);
const label = (service: unknown) => SERVICES[service as ServiceId]?.label ?? String(service);

/** The same in words, as a page that any browser shows without a network: for who asked, not for a program. */
export function readable(
  { client, mergedFrom, tables, pictures }: Everything,
  studioName: string,
  on: string,
  moment: (iso: unknown) => string,
): string {
  const list = (lines: readonly string[]) =>
    lines.length === 0 ? "<p>None.</p>" : `<ul>${lines.map((line) => `<li>${line}</li>`).join("")}</ul>`;
  const part = (title: string, body: string) => `<h2>${safe(title)}</h2>${body}`;
  const of = (table: string) => tables[table] ?? [];
  const outcomes = new Map(of("visit_outcome").map((row) => [row.visit_id, row]));
  const visits = of("visit")
    .filter((row) => row.withdrawn_at === null)
    .sort((a, b) => String(a.starts_at).localeCompare(String(b.starts_at)))
    .map((row) => {
      const came = outcomes.get(row.id);
      const state = row.cancelled_at
        ? `cancelled: ${safe(row.cancelled_why)}`
        : came?.begun_at
          ? `begun ${moment(came.begun_at)}${came.finished_at ? `, finished ${moment(came.finished_at)}` : ""}`
          : "agreed";
      return `${moment(row.starts_at)}, ${safe(label(row.service))}: ${state}`;
    });
  const readings = group(of("patch_reading"), (row) => row.test_id);
  const tests = of("patch_test").map((row) => {
    const read = (readings.get(row.id) ?? []).map((one) => `${safe(one.result)} on ${moment(one.read_at)}${one.severe ? ", severe" : ""}`);
    return `${safe(familyLabel(row.family as never))}, placed ${moment(row.placed_at)}${read.length > 0 ? `: ${read.join("; ")}` : ": not read"}`;
  });
  const who = (row: Row) =>
    `<table>${[
      ["Name", row.name],
      ["Telephone", row.phone],
      ["E-mail", row.email],
      ["Date of birth", row.born_on],
      ["Other ways to reach", row.contact],
      ["Note", row.notes],
      ["Written down", moment(row.created_at)],
    ]
      .filter(([, value]) => value)
      .map(([name, value]) => `<tr><th>${safe(name)}</th><td>${safe(value).replaceAll("\n", "<br>")}</td></tr>`)
      .join("")}</table>`;
  const titles = new Map(of("lash_map_revision").map((row) => [row.map_id, (row.document as { title?: unknown })?.title]));
  return `<!doctype html><html lang="en"><meta charset="utf-8"><title>Record of ${safe(client.name)}</title>
<style>body{font:16px/1.5 Georgia,serif;max-width:46rem;margin:2rem auto;padding:0 1rem;color:#17221c;background:#fff}h1{font-size:2rem}h2{margin-top:2rem;border-bottom:1px solid #d4ccbb}th{text-align:left;padding-right:1.5rem;vertical-align:top;font-weight:normal;color:#56625a}img{max-width:100%;margin:.5rem 0}</style>
<h1>${safe(client.name)}</h1>
<p>Everything that ${safe(studioName)} keeps about this client, as it stood on ${safe(on)}. The same, whole and for a program, is in record.json.</p>
${who(client)}
${mergedFrom.length > 0 ? part("Entries that were merged into this one", mergedFrom.map(who).join("")) : ""}
${part("Visits", list(visits))}
${part("Consultations", list(of("consultation").map((row) => `${moment(row.created_at)}, ${row.given_by === "client" ? "given by the client" : "asked by the technician"}: ${safe(answersWords(row.document as Consultation))}`)))}
${part("Consent", list(of("consent").map((row) => `${safe(row.signed_on)}, ${safe(label(row.service))}, signed by ${safe(row.signed_name)}${row.signed_by === "guardian" ? ", a guardian" : ""}: ${safe(row.words)}`)))}
${part("Patch tests", list(tests))}
${part("Surveys of the natural lashes", list(of("survey").map((row) => `Taken ${moment(row.created_at)}`)))}
${part("Maps", list(of("lash_map").map((row) => `${safe(titles.get(row.id))}, begun ${moment(row.created_at)}`)))}
${part("Noted at visits", list(of("incident").map((row) => `${moment(row.created_at)}: ${safe(row.words)}`)))}
${part("Pictures", pictures.length === 0 ? "<p>None.</p>" : pictures.map(({ name }) => `<img src="${safe(name)}" alt="${safe(name)}">`).join(""))}
</html>
`;
}
