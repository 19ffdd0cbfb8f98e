"use client";
import { useState } from "react";
import {
  ALLERGIES,
  ALLERGY_IDS,
  CONDITIONS,
  CONDITION_IDS,
  NOTHING_SO,
  type Allergy,
  type Condition,
  type ConditionGroup,
  type Consultation,
} from "@/core/care";
import { serviceOf, type ServiceId } from "@/core/service";
import { sentence } from "@/core/units";
import { Button, Notice, TextField } from "@/ui";
import { AnswerGroup, Tick } from "./AnswerGroup";
import { DoneElsewhere } from "./DoneElsewhere";
import { OperationFields } from "./OperationFields";
import { answered } from "@/ui/answered";

type Who = "technician" | "client";
type Answered = Readonly<Record<string, boolean>>;
type Kept = { readonly ok: boolean; readonly message?: string; readonly fields?: Readonly<Record<string, string>> };

const GROUPS: readonly { readonly id: ConditionGroup; readonly title: Record<Who, string> }[] = [
  { id: "eyes", title: { technician: "Eyes and skin today", client: "Your eyes and skin today" } },
  { id: "health", title: { technician: "Health", client: "Your health" } },
  { id: "brows", title: { technician: "Brows", client: "Your brows" } },
];
/**
 * The consultation asked whole, by the technician or in the client's hands. Every group is choose, by what is so or by “none
 * of these”; nothing is choose for anybody, but allergies once named stand.
 */
export function ConsultationForm({
  who,
  service,
  known,
  bornOn: known_,
  today,
  onKeep,
}: {
  who: Who;
  service: ServiceId;
  known: Consultation | null;
  bornOn: string | null;
  today: string;
  onKeep: (document: Consultation, bornOn: string) => Promise<Kept | null>;
}) {
  const [doc, setDoc] = useState<Consultation>(() => ({
    ...NOTHING_SO,
    allergies: known?.allergies ?? [],
    otherAllergies: known?.otherAllergies ?? "",
    operation: known?.operation ?? null,
  }));
  const [none, setNone] = useState<Answered>({});
  const [bornOn, setBornOn] = useState(known_ ?? "");
  const [told, setTold] = useState<Kept | null>(null);
  const [busy, setBusy] = useState(false);
  const { parts, consultation } = serviceOf(service);
  const change = (part: Partial<Consultation>) => setDoc({ ...doc, ...part });
  const toggled = <T extends string>(list: readonly T[], id: T) => (list.includes(id) ? list.filter((one) => one !== id) : [...list, id]);
  const groups = GROUPS.filter(({ id }) => id !== "brows" || parts.includes("brows"));
  const open = [
    ...groups.filter(({ id }) => !none[id] && !doc.conditions.some((one) => CONDITIONS[one].group === id)).map(({ id }) => id as string),
    ...(none.operation || doc.operation ? [] : ["operation"]),
    ...(none.allergies || doc.allergies.length > 0 || doc.otherAllergies.trim() ? [] : ["allergies"]),
    ...(none.elsewhere || doc.elsewhere.length > 0 ? [] : ["elsewhere"]),
  ];
  const large = who === "client";
  const words = (mine: string, yours: string) => (large ? yours : mine);

  const keep = async () => {
    if (open.length > 0) return setTold({ ok: false, message: "Some questions are still open: choose what is so, or “none of these”." });
    setBusy(true);
    const result = await answered(onKeep(doc, bornOn), "What you chose is still here; try again.");
    setBusy(false);
    setTold(result);
  };
  const choose = (id: string) => setNone({ ...none, [id]: false });
  /** What every group of questions has: whether nothing of it is so, and whether it was left open. `clear` empties it. */
  const asked = (id: string, clear: () => void) => ({
    large,
    isMissed: told !== null && !told.ok && open.includes(id),
    isNone: none[id] ?? false,
    onNone: () => {
      if (!none[id]) clear();
      setNone({ ...none, [id]: !none[id] });
    },
  });

  return (
    <form
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      {groups.map(({ id, title }) => (
        <AnswerGroup
          key={id}
          title={title[who]}
          {...asked(id, () => change({ conditions: doc.conditions.filter((one) => CONDITIONS[one].group !== id) }))}
        >
          {CONDITION_IDS.filter((one) => CONDITIONS[one].group === id).map((one: Condition) => (
            <Tick
              key={one}
              large={large}
              checked={doc.conditions.includes(one)}
              stop={!large && CONDITIONS[one].weight === "stop"}
              label={large ? CONDITIONS[one].question : sentence(CONDITIONS[one].label)}
              onChange={() => {
                change({ conditions: toggled(doc.conditions, one) });
                choose(id);
              }}
            />
          ))}
        </AnswerGroup>
      ))}
      {!large && service === "removal" && doc.conditions.includes("inflamed") ? (
        <TextField
          label="A doctor’s word that it may be done (who, when)"
          value={doc.doctorsWord}
          maxLength={300}
          onChange={(event) => change({ doctorsWord: event.target.value })}
        />
      ) : null}
      <AnswerGroup
        title={words("Eye operation", "An operation at your eyes")}
        noneLabel="none"
        {...asked("operation", () => change({ operation: null }))}
      >
        <Tick
          large={large}
          checked={doc.operation !== null}
          label={words("Yes, one that still matters", "Yes")}
          onChange={() => {
            change({ operation: doc.operation ? null : { what: "", on: null, releasedOn: null } });
            choose("operation");
          }}
        />
        {doc.operation ? (
          <OperationFields operation={doc.operation} today={today} large={large} onChange={(operation) => change({ operation })} />
        ) : null}
      </AnswerGroup>
      <AnswerGroup
        title={words("Allergies", "What you are allergic to")}
        {...asked("allergies", () => change({ allergies: [], otherAllergies: "" }))}
      >
        {ALLERGY_IDS.map((one: Allergy) => (
          <Tick
            key={one}
            large={large}
            checked={doc.allergies.includes(one)}
            stop={!large && ALLERGIES[one].stops !== null}
            label={large ? ALLERGIES[one].question : sentence(ALLERGIES[one].label)}
            onChange={() => {
              change({ allergies: toggled(doc.allergies, one) });
              choose("allergies");
            }}
          />
        ))}
        <div className="max-w-md pl-8">
          <TextField
            label="Another"
            value={doc.otherAllergies}
            maxLength={300}
            onChange={(event) => {
              change({ otherAllergies: event.target.value });
              choose("allergies");
            }}
          />
        </div>
      </AnswerGroup>
      <AnswerGroup
        title={words("Done elsewhere since the last visit here", "What was done elsewhere since you were last here")}
        noneLabel="nothing"
        {...asked("elsewhere", () => change({ elsewhere: [] }))}
      >
        {doc.elsewhere.map((one, i) => (
          <DoneElsewhere
            key={i}
            one={one}
            today={today}
            onChange={(part) => change({ elsewhere: doc.elsewhere.map((other, k) => (k === i ? { ...other, ...part } : other)) })}
            onDrop={() => change({ elsewhere: doc.elsewhere.filter((_, k) => k !== i) })}
          />
        ))}
        <div>
          <Button
            tone="line"
            disabled={doc.elsewhere.length >= 8}
            onClick={() => {
              change({ elsewhere: [...doc.elsewhere, { treatment: "extensions", part: "lashes", on: null }] });
              choose("elsewhere");
            }}
          >
            Name something
          </Button>
        </div>
      </AnswerGroup>
      {large ? null : (
        <fieldset className="border-t border-line pt-3 pb-4">
          <legend className="font-serif text-xl">Seen by you</legend>
          <div className="mt-1 grid gap-1">
            {parts.includes("lashes") && consultation !== "extensions" && consultation !== "removal" ? (
              <>
                <Tick
                  checked={doc.extensionsOn === false}
                  label="Looked: no extensions are on"
                  onChange={() => change({ extensionsOn: doc.extensionsOn === false ? null : false })}
                />
                <Tick
                  checked={doc.extensionsOn === true}
                  label="Looked: extensions are on"
                  onChange={() => change({ extensionsOn: doc.extensionsOn === true ? null : true })}
                />
              </>
            ) : null}
            <Tick
              checked={doc.processed}
              label="Hair lifted, tinted, bleached or permed before, elsewhere"
              onChange={() => change({ processed: !doc.processed })}
            />
          </div>
        </fieldset>
      )}
      <div className="w-56 border-t border-line pt-3">
        <TextField
          label={words("Date of birth", "Your date of birth")}
          type="date"
          value={bornOn}
          max={today}
          error={told?.fields?.bornOn}
          onChange={(event) => setBornOn(event.target.value)}
        />
      </div>
      {told && !told.ok ? <Notice tone="stop" title={told.message ?? "That did not go through."} className="mt-4" /> : null}
      <p className="mt-4 text-sm text-ink-2">
        {words(
          "Leaflets, local code and a doctor’s word come before this list.",
          "If you are not sure, ask. A clear patch test is no promise; say at once if anything stings or itches.",
        )}
      </p>
      <Button type="submit" size={large ? "bed" : "usual"} disabled={busy} className="mt-3">
        {busy ? "Keeping…" : words("Keep the answers", "These are my answers")}
      </Button>
    </form>
  );
}
