"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { Button, LinkButton, Notice } from "@/ui";
import { answered } from "@/ui/answered";
import { cx } from "@/ui/cx";
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

/** A row: what it is, and both entries beside each other; on a phone one under the other. */
const ROW = "grid gap-x-6 gap-y-1 sm:grid-cols-[7rem_minmax(0,1fr)_minmax(0,1fr)]";

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
      <div className={ROW}>
        <span />
        {[kept, other].map((side) => (
          <p key={side.id} className="pb-2">
            <bdi className="block font-serif text-2xl break-words">{side.words.name}</bdi>
            <span className="text-sm text-ink-2">
              since {side.since}; {hangsOn(side)}
            </span>
          </p>
        ))}
      </div>
      {FIELDS.map(([field, label]) => {
        const [mine, theirs] = [kept.words[field], other.words[field]];
        const isOpen = mine !== "" && theirs !== "" && mine !== theirs;
        const choose = (choice: Choice) => (
          <input
            type="radio"
            name={field}
            checked={choices[field] === choice}
            onChange={() => setChoices({ ...choices, [field]: choice })}
            className="size-4 shrink-0 translate-y-0.5 accent-ivy"
          />
        );
        return (
          <div key={field} role="group" aria-label={label} className={cx(ROW, "border-t border-line py-2")}>
            <div className="text-sm text-ink-2">
              {label}
              {isOpen && field === "notes" ? (
                <label className="mt-1 flex items-baseline gap-2">
                  {choose("both")}
                  both
                </label>
              ) : null}
            </div>
            {(["kept", "other"] as const).map((choice) => {
              const text = choice === "kept" ? mine : theirs;
              const counts = text !== "" && (choices[field] === choice || choices[field] === "both" || mine === theirs);
              const words = (
                <span dir="auto" className={cx("min-w-0 break-words whitespace-pre-line", counts ? "font-semibold" : "text-ink-2")}>
                  {text || "nothing"}
                </span>
              );
              return isOpen ? (
                <label key={choice} className="flex min-w-0 items-baseline gap-2">
                  {choose(choice)}
                  {words}
                </label>
              ) : (
                <p key={choice} className="min-w-0">
                  {words}
                </p>
              );
            })}
          </div>
        );
      })}
      <p className="mb-4 border-t border-line pt-4 text-ink-2">
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
