import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { z } from "zod";
import { ChooseOther } from "@/features/clients/merge/ChooseOther";
import { sidesOf, type Side } from "@/features/clients/merge/data";
import { MergeClients } from "@/features/clients/merge/MergeClients";
import { Notice } from "@/ui";
import { mayActAs, requireMember } from "@/server/member";
import { idOr404 } from "@/server/params";
import { formatIn } from "@/server/studioTime";

export const metadata: Metadata = { title: "Merge clients" };

type Asked = { params: Promise<{ clientId: string }>; searchParams: Promise<{ with?: string | string[] }> };

export default async function MergePage({ params, searchParams }: Asked) {
  const member = await requireMember();
  const id = idOr404((await params).clientId);
  const wanted = z.uuid().safeParse((await searchParams).with).data;
  const sides = await sidesOf(member, wanted ? [id, wanted] : [id]);
  const kept = sides.find((side) => side.id === id);
  if (!kept || kept.mannequin) notFound();
  const other = sides.find((side) => side.id !== id && !side.mannequin);
  const shown = (side: Side) => ({ ...side, since: formatIn(member.timeZone, side.since, "d MMM yyyy") });
  return (
    <>
      <h1 className="pt-6 pb-4 text-4xl">{other ? "Two entries, one person?" : "Merge with another entry"}</h1>
      {!mayActAs(member, "technician") ? (
        <Notice tone="stop" title="Clients are merged by a technician." />
      ) : other ? (
        <MergeClients kept={shown(kept)} other={shown(other)} />
      ) : (
        <ChooseOther id={id} />
      )}
    </>
  );
}
