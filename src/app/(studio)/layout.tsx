import { cookies } from "next/headers";
import type { ReactNode } from "react";
import { LiveProvider } from "@/features/live/LiveProvider";
import { Header } from "@/features/shell/Header";
import { HangingClocks } from "@/features/tablet/HangingClocks";
import { saveMap } from "@/features/map/actions";
import { planRun } from "@/features/plan/actions";
import { saveSurvey } from "@/features/survey/actions";
import { TabletProvider } from "@/features/tablet/TabletProvider";
import { book } from "@/features/visit/actions";
import { Toasts } from "@/ui";
import { KeyScopes } from "@/ui/keys";
import { requireMember } from "@/server/member";

/** What may wait on a tablet until there is a server. */
const WAITS = { book, planRun, saveMap, saveSurvey };

export default async function StudioLayout({ children }: { children: ReactNode }) {
  const member = await requireMember();
  // Visits whose clocks hung on the last page: the row has its room before they are known again.
  const hung = (await cookies()).get("ivy-clocks")?.value.split(".").filter(Boolean).slice(0, 9) ?? [];
  return (
    <KeyScopes>
      <LiveProvider memberId={member.id}>
        <TabletProvider memberId={member.id} senders={WAITS}>
          <div className="ivy-studio flex min-h-dvh flex-col">
            <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-leaf focus:p-3">
              To the page
            </a>
            <HangingClocks hung={hung} />
            <Header name={member.name} role={member.role} studioName={member.studioName} />
            <main id="main" className="flex-1 px-4 pb-16 sm:px-7">
              {children}
            </main>
          </div>
          <Toasts />
        </TabletProvider>
      </LiveProvider>
    </KeyScopes>
  );
}
