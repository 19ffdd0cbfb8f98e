import type { ReactNode } from "react";
import { LiveProvider } from "@/features/live/LiveProvider";
import { Header } from "@/features/shell/Header";
import { Keys } from "@/features/shell/Keys";
import { HangingClocks } from "@/features/tablet/HangingClocks";
import { TabletProvider } from "@/features/tablet/TabletProvider";
import { requireMember } from "@/server/member";

export default async function StudioLayout({ children }: { children: ReactNode }) {
  const member = await requireMember();
  return (
    <LiveProvider memberId={member.id}>
      <TabletProvider memberId={member.id}>
        <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-leaf focus:p-3">
          To the page
        </a>
        <Header name={member.name} role={member.role} studioName={member.studioName} />
        <main id="main" className="px-4 pb-16 sm:px-7">
          {children}
        </main>
        <HangingClocks />
        <Keys />
      </TabletProvider>
    </LiveProvider>
  );
}
