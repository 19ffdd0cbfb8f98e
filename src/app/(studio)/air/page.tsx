import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { AirWorkspace, type AirSheet } from "@/features/air/AirWorkspace";
import { airPage } from "@/features/air/data";
import { mayActAs, requireMember } from "@/server/member";
import { idOr404 } from "@/server/params";
import { ago, dayIn, todayIn } from "@/server/studioTime";

export const metadata: Metadata = { title: "Air" };

/** Today's trail; just past midnight still this much of the evening. */
const LEAST_TRAIL_MS = 4 * 3_600_000;
const SHEETS: readonly AirSheet[] = ["now", "history", "glue", "room"];

export default async function AirPage({
  searchParams,
}: {
  searchParams: Promise<{ room?: string | string[]; sheet?: string | string[] }>;
}) {
  const member = await requireMember();
  const now = new Date();
  const today = todayIn(member.timeZone, now);
  const { room, sheet } = await searchParams;
  const named = typeof room === "string" ? idOr404(room) : undefined;
  const since = Math.min(dayIn(member.timeZone, today).from.getTime(), now.getTime() - LEAST_TRAIL_MS);
  const page = await airPage(member, named, new Date(since), now);
  if (!page) notFound();
  return (
    <AirWorkspace
      key={page.room.id}
      {...page}
      today={today}
      timeZone={member.timeZone}
      loadedMs={now.getTime()}
      takenAgo={page.air ? ago(new Date(page.air.takenAt), now) : null}
      mayCalibrate={mayActAs(member, "technician")}
      sheet={SHEETS.find((one) => one === sheet) ?? "now"}
    />
  );
}
