"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { Button, LinkButton, Notice } from "@/ui";
import { answered } from "@/ui/answered";
import { toast } from "@/ui/toast";
import { useIdBy } from "@/ui/useIdFor";
import { mergeClients, undoMerge } from "../actions";
import type { Side } from "./data";

type Words = Side["words"];
type Field = keyof Words;
type ShownSide = Omit<Side, "since"> & { readonly since: string };

const FIELDS: readonly (readonly [Field, string])[] = [
  ["name", "Name"],
  ["phone", "Telephone"],
  ["email", "E-mail"],
  ["bornOn", "Date of birth"],
  ["contact", "Other ways"],
  ["notes", "Note"],
];
const COUNTED = { visits: "visits", maps: "maps", surveys: "surveys", patchTests: "patch tests", pictures: "pictures" } as const;

/** What hangs on an entry, in words. */
const hangsOn = ({ counts }: ShownSide) => {
  const some = Object.entries(COUNTED).flatMap(([key, label]) => {
    const count = counts[key as keyof typeof counts];
    return count > 0 ? [`${count} ${count === 1 ? label.slice(0, -1) : label}`] : [];
  });
  return some.length > 0 ? some.join(", ") : "nothing yet";
};

type Choice = "kept" | "other" | "both";
/** Of two notes both are kept, unless somebody says otherwise; of anything else the kept entry's, where it has one. */
const firstChoice = (field: Field, kept: Words, other: Words): Choice =>
  kept[field] === "" ? "other" : field === "notes" && other.notes !== "" && other.notes !== kept.notes ? "both" : "kept";
const chosen = (field: Field, choice: Choice, kept: Words, other: Words) =>
  choice === "both" ? `${kept[field]}\n${other[field]}` : choice === "kept" ? kept[field] : other[field];

/** Two entries side by side: whose words count is chosen line by line, and everything of both becomes one. */
export function MergeClients({ kept, other }: { kept: ShownSide; other: ShownSide }) {
  const router = useRouter();
  const idBy = useIdBy();
  const [choices, setChoices] = useState(
    () => Object.fromEntries(FIELDS.map(([field]) => [field, firstChoice(field, kept.words, other.words)])) as Record<Field, Choice>,
  );
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const form = Object.fromEntries(FIELDS.map(([field]) => [field, chosen(field, choices[field], kept.words, other.words)])) as Words;
  const merge = async () => {
    setBusy(true);
    setProblem(null);
    const result = await answered(
      mergeClients({ id: idBy({ form, other: other.id }), keepId: kept.id, goneId: other.id, form }),
      "Nothing was merged.",
    );
    if (!result.ok) {
      setBusy(false);
      return setProblem([result.message, ...Object.values(result.fields)].join(" "));
    }
    const { id, keepId } = result.data;
    toast.good(`${form.name} is one entry now.`, {
      label: "Undo",
      run: () =>
        void answered(undoMerge({ id }), "Nothing was changed.").then((undone) =>
          undone.ok ? toast.good("They are two entries again.") : toast.stop(undone.message),
        ),
    });
    router.push(`/clients/${keepId}`);
    router.refresh();
  };
  return (
    <div className="max-w-4xl">
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Both entries">
        <table className="w-full min-w-140 text-left">
          <thead>
            <tr className="border-b border-line-strong align-bottom">
              <th className="w-32" />
              {[kept, other].map((side) => (
                <th key={side.id} className="py-2 pr-4 font-normal">
                  <bdi className="block font-serif text-2xl">{side.words.name}</bdi>
                  <span className="text-sm text-ink-2">
                    since {side.since}; {hangsOn(side)}
                  </span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {FIELDS.map(([field, label]) => {
              const [mine, theirs] = [kept.words[field], other.words[field]];
              const isOpen = mine !== "" && theirs !== "" && mine !== theirs;
              return (
                <tr key={field} className="border-b border-line align-top">
                  <th scope="row" className="py-2 pr-4 text-sm font-normal text-ink-2">
                    {label}
                    {isOpen && field === "notes" ? (
                      <label className="mt-1 flex items-baseline gap-1.5">
                        <input
                          type="radio"
                          name={field}
                          checked={choices[field] === "both"}
                          onChange={() => setChoices({ ...choices, [field]: "both" })}
                          className="accent-ivy"
                        />
                        both
                      </label>
                    ) : null}
                  </th>
                  {(["kept", "other"] as const).map((choice) => {
                    const text = choice === "kept" ? mine : theirs;
                    const counts = choices[field] === choice || choices[field] === "both" || (mine === theirs && text !== "");
                    const words = (
                      <span
                        dir="auto"
                        className={
                          counts && text !== ""
                            ? "font-semibold break-words whitespace-pre-line"
                            : "break-words whitespace-pre-line text-ink-2"
                        }
                      >
                        {text || "nothing"}
                      </span>
                    );
                    return (
                      <td key={choice} className="py-2 pr-4">
                        {isOpen ? (
                          <label className="flex items-baseline gap-2">
                            <input
                              type="radio"
                              name={field}
                              checked={choices[field] === choice}
                              onChange={() => setChoices({ ...choices, [field]: choice })}
                              className="shrink-0 translate-y-0.5 accent-ivy"
                            />
                            {words}
                          </label>
                        ) : (
                          words
                        )}
                      </td>
                    );
                  })}
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <p className="my-4 text-ink-2">
        Visits, maps, surveys, pictures, patch tests, consultations and consents of both become one record; what stops a service on either
        stops it from now on. It can be taken apart again.
      </p>
      {problem ? <Notice tone="stop" title={problem} className="mb-4" /> : null}
      <div className="flex flex-wrap gap-3">
        <Button disabled={busy} onClick={() => void merge()}>
          {busy ? "Merging…" : "Merge into one"}
        </Button>
        <LinkButton tone="line" href={`/clients/${kept.id}`}>
          Leave them two
        </LinkButton>
      </div>
    </div>
  );
}
