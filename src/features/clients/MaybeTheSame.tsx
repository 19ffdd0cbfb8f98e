"use client";
import Link from "next/link";
import { useState, useTransition } from "react";
import { Button, LinkButton, Notice } from "@/ui";
import { answered } from "@/ui/answered";
import { notTheSame } from "./actions";

/** Another entry is likely the same person: looked at side by side, or said to be somebody else, and then not told again. */
export function MaybeTheSame({
  id,
  double: { id: otherId, name, why, archived },
  mayDecide,
}: {
  id: string;
  double: { readonly id: string; readonly name: string; readonly why: string; readonly archived: boolean };
  mayDecide: boolean;
}) {
  const [busy, begin] = useTransition();
  const [problem, setProblem] = useState<string | null>(null);
  return (
    <Notice tone="look" title="Maybe the same person" className="mt-4">
      <p>
        <Link href={`/clients/${otherId}`} className="font-semibold text-ivy underline underline-offset-4">
          <bdi>{name}</bdi>
        </Link>
        {archived ? " (archived)" : ""} has {why}.
      </p>
      {mayDecide ? (
        <div className="mt-2 flex flex-wrap gap-2">
          <LinkButton tone="line" href={`/clients/${id}/merge?with=${otherId}`}>
            Compare and merge
          </LinkButton>
          <Button
            tone="plain"
            disabled={busy}
            onClick={() =>
              begin(async () => {
                const result = await answered(notTheSame({ one: id, other: otherId }), "Nothing was changed.");
                setProblem(result.ok ? null : result.message);
              })
            }
          >
            Two people
          </Button>
        </div>
      ) : null}
      {problem ? <p className="mt-1 font-medium text-rosehip">{problem}</p> : null}
    </Notice>
  );
}
