import type { Metadata } from "next";
import { TodayRoute } from "@/features/today/TodayRoute";

export const metadata: Metadata = { title: "Today" };

type Search = {
  readonly book?: string | string[];
  readonly day?: string | string[];
  readonly visit?: string | string[];
  readonly withdrawn?: string | string[];
};
const one = (value: string | string[] | undefined) => (typeof value === "string" ? value : undefined);

export default async function Today({ searchParams }: { searchParams: Promise<Search> }) {
  const { day, visit, withdrawn, book } = await searchParams;
  return <TodayRoute day={one(day)} openId={one(visit)} withdrawnId={one(withdrawn)} isBooking={book !== undefined} />;
}
