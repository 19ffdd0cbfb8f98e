import { after } from "next/server";
import type { ReactNode } from "react";
import { z } from "zod";
import { addressNow, noteOpened } from "@/server/audit";
import { log } from "@/server/log";
import { currentMember } from "@/server/member";
import { withoutWords } from "@/server/withoutWords";

type Props = { readonly clientId: string } | { readonly visitId: string };

/** Notes that a client's record was opened, once the page is on its way: it waits for nothing. */
export async function OpenedRecord({ children, ...what }: Props & { children: ReactNode }) {
  const me = await currentMember();
  const id = "clientId" in what ? what.clientId : what.visitId;
  if (me && z.uuid().safeParse(id).success) {
    const [address, now] = [await addressNow(), new Date()];
    after(() => noteOpened(me, what, address, now).catch((error: unknown) => log.warn({ err: withoutWords(error) }, "not noted")));
  }
  return children;
}
