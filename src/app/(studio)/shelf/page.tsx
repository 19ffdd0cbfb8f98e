import type { Metadata } from "next";
import { Bottles } from "@/features/shelf/Bottles";
import { shelfPage } from "@/features/shelf/data";
import { Trays } from "@/features/shelf/Trays";
import { mayActAs, requireMember } from "@/server/member";
import { todayIn } from "@/server/studioTime";

export const metadata: Metadata = { title: "Shelf" };

export default async function ShelfPage() {
  const member = await requireMember();
  const now = new Date();
  const { trays, ...bottles } = await shelfPage(member, now);
  const mayActOn = mayActAs(member, "technician");
  return (
    <>
      <h1 className="pt-5 pb-6 text-4xl">Shelf</h1>
      <div className="grid gap-x-14 gap-y-10 xl:grid-cols-[24rem_minmax(0,1fr)]">
        <Bottles {...bottles} today={todayIn(member.timeZone, now)} mayAdd={mayActOn} />
        <Trays trays={trays} mayRemove={mayActOn} />
      </div>
    </>
  );
}
