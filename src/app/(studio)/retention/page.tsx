import type { Metadata } from "next";
import { retentionPage } from "@/features/lasting/data";
import { WhatHolds } from "@/features/lasting/WhatHolds";
import { requireMember } from "@/server/member";

export const metadata: Metadata = { title: "Retention" };

export default async function RetentionPage() {
  const member = await requireMember();
  const page = await retentionPage(member);
  return <WhatHolds key={page.lookedWith} {...page} />;
}
