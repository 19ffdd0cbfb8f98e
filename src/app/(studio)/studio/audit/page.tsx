import type { Metadata } from "next";
import { auditFilter, auditPage } from "@/features/audit/data";
import { AuditList } from "@/features/audit/AuditList";
import { LinkButton } from "@/ui";
import { mayActAs, requireMember } from "@/server/member";
import { formatIn } from "@/server/studioTime";

export const metadata: Metadata = { title: "Audit list" };

export default async function AuditPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const member = await requireMember();
  if (!mayActAs(member, "owner"))
    return (
      <>
        <h1 className="pt-5 text-4xl">Audit list</h1>
        <p className="mt-4 mb-5">It is the owner&rsquo;s to read: it tells what each of you did.</p>
        <LinkButton href="/studio">To the studio</LinkButton>
      </>
    );
  const asked = auditFilter.parse(await searchParams);
  const { lines, more, people } = await auditPage(member, asked);
  return (
    <>
      <h1 className="pt-5 text-4xl">Audit list</h1>
      <p className="mt-1 max-w-2xl text-[0.9375rem] text-ink-2">
        Kept apart from what the server logs, never changed, read by owners alone. A record that is opened is told once an hour.
      </p>
      <AuditList
        lines={lines.map((line) => ({ ...line, at: formatIn(member.timeZone, line.at, "d MMM yyyy, HH:mm:ss") }))}
        more={more}
        people={people}
        asked={asked}
        page={asked.page}
      />
    </>
  );
}
