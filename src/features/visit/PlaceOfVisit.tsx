"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { Button, LinkButton, Notice } from "@/ui";
import { withdraw } from "./actions";
import { answered } from "@/ui/answered";

/** Where a visit that has not begun is changed: moved on its day, or taken back where it was a mistake. */
export function PlaceOfVisit({ visit }: { visit: { readonly id: string; readonly isoDay: string } }) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const takeBack = async () => {
    const result = await answered(withdraw({ id: visit.id, back: false }));
    if (result.ok) return router.push(`/?day=${visit.isoDay}&withdrawn=${visit.id}`);
    setProblem(result.message);
  };
  return (
    <div className="mt-6">
      <div className="-ml-4 flex flex-wrap">
        <LinkButton tone="plain" href={`/?day=${visit.isoDay}&visit=${visit.id}`}>
          Move or cancel
        </LinkButton>
        <Button tone="plain" onClick={() => void takeBack()}>
          Opened by mistake: take it back
        </Button>
      </div>
      {problem ? <Notice tone="stop" title={problem} className="mt-2 max-w-xl" /> : null}
    </div>
  );
}
