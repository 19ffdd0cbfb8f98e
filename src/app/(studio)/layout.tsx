import type { ReactNode } from "react";
import { LiveProvider } from "@/features/live/LiveProvider";
import { Header } from "@/features/shell/Header";
import { Keys } from "@/features/shell/Keys";
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
  return (
    <KeyScopes>
      <LiveProvider memberId={member.id}>
        <TabletProvider memberId={member.id} senders={WAITS}>
          <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-leaf focus:p-3">
            To the page
          </a>
          <Header name={member.name} role={member.role} studioName={member.studioName} />
          <main id="main" className="px-4 pb-16 sm:px-7">
            {children}
          </main>
          <HangingClocks />
          <Keys />
          <Toasts />
        </TabletProvider>
      </LiveProvider>
    </KeyScopes>
  );
}
