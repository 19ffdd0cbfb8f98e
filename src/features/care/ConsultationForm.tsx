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
import { serviceOf, type ServiceId, type Treatment } from "@/core/service";
import { sentence } from "@/core/units";
import { Button, Notice, SelectField, TextField, cx } from "@/ui";

type Who = "technician" | "client";
type Answered = Readonly<Record<string, boolean>>;
type Kept = { readonly ok: boolean; readonly message?: string; readonly fields?: Readonly<Record<string, string>> };

const GROUPS: readonly { readonly id: ConditionGroup; readonly title: Record<Who, string> }[] = [
  { id: "eyes", title: { technician: "Eyes and skin today", client: "Your eyes and skin today" } },
  { id: "health", title: { technician: "Health", client: "Your health" } },
  { id: "brows", title: { technician: "Brows", client: "Your brows" } },
];
const ELSEWHERE: readonly { readonly treatment: Treatment; readonly part: "lashes" | "brows"; readonly label: string }[] = [
  { treatment: "extensions", part: "lashes", label: "extensions" },
  { treatment: "removal", part: "lashes", label: "extensions taken off" },
  { treatment: "lift", part: "lashes", label: "lash lift" },
  { treatment: "tint", part: "lashes", label: "lash tint" },
  { treatment: "lift", part: "brows", label: "brow lamination" },
  { treatment: "tint", part: "brows", label: "brow tint" },
  { treatment: "lightening", part: "brows", label: "brow lightening" },
];

/**
 * The consultation asked whole, by the technician or in the client's hands. Every group is answered, by what is so or by “none
 * of these”; nothing is answered for anybody, but allergies once named stand.
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
    const result = await onKeep(doc, bornOn).catch(() => null);
    setBusy(false);
    setTold(result ?? { ok: false, message: "The server did not answer. What you chose is still here; try again." });
  };
  const group = (id: string, title: string, content: React.ReactNode, noneLabel = "none of these", clear: () => void) => (
    <fieldset className={cx("border-t border-line pt-3 pb-4", told && !told.ok && open.includes(id) && "border-t-2 border-rosehip")}>
      <legend className={cx("font-serif", large ? "text-[1.75rem]" : "text-xl")}>{title}</legend>
      <div className={cx("mt-1 grid gap-x-8 gap-y-1", !large && "sm:grid-cols-2")}>
        {content}
        <Tick
          large={large}
          checked={none[id] ?? false}
          label={noneLabel}
          onChange={() => {
            if (!none[id]) clear();
            setNone({ ...none, [id]: !none[id] });
          }}
        />
      </div>
    </fieldset>
  );
  const answered = (id: string) => setNone({ ...none, [id]: false });

  return (
    <form
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      {groups.map(({ id, title }) => (
        <div key={id}>
          {group(
            id,
            title[who],
            CONDITION_IDS.filter((one) => CONDITIONS[one].group === id).map((one: Condition) => (
              <Tick
                key={one}
                large={large}
                checked={doc.conditions.includes(one)}
                stop={!large && CONDITIONS[one].weight === "stop"}
                label={large ? CONDITIONS[one].question : sentence(CONDITIONS[one].label)}
                onChange={() => {
                  change({ conditions: toggled(doc.conditions, one) });
                  answered(id);
                }}
              />
            )),
            undefined,
            () => change({ conditions: doc.conditions.filter((one) => CONDITIONS[one].group !== id) }),
          )}
        </div>
      ))}
      {!large && service === "removal" && doc.conditions.includes("inflamed") ? (
        <TextField
          label="A doctor’s word that it may be done (who, when)"
          value={doc.doctorsWord}
          maxLength={300}
          onChange={(event) => change({ doctorsWord: event.target.value })}
        />
      ) : null}
      {group(
        "operation",
        words("Eye operation", "An operation at your eyes"),
        <>
          <Tick
            large={large}
            checked={doc.operation !== null}
            label={words("Yes, one that still matters", "Yes")}
            onChange={() => {
              change({ operation: doc.operation ? null : { what: "", on: null, releasedOn: null } });
              answered("operation");
            }}
          />
          {doc.operation ? (
            <div className="grid gap-3 pl-8 sm:col-span-2 sm:grid-cols-3">
              <TextField
                label="What was done"
                value={doc.operation.what}
                maxLength={120}
                onChange={(event) => change({ operation: { ...doc.operation!, what: event.target.value } })}
              />
              <TextField
                label="When"
                type="date"
                max={today}
                value={doc.operation.on ?? ""}
                onChange={(event) => change({ operation: { ...doc.operation!, on: event.target.value || null } })}
              />
              {large ? null : (
                <TextField
                  label="Surgeon’s release, noted on"
                  type="date"
                  max={today}
                  value={doc.operation.releasedOn ?? ""}
                  onChange={(event) => change({ operation: { ...doc.operation!, releasedOn: event.target.value || null } })}
                />
              )}
            </div>
          ) : null}
        </>,
        "none",
        () => change({ operation: null }),
      )}
      {group(
        "allergies",
        words("Allergies", "What you are allergic to"),
        <>
          {ALLERGY_IDS.map((one: Allergy) => (
            <Tick
              key={one}
              large={large}
              checked={doc.allergies.includes(one)}
              stop={!large && ALLERGIES[one].stops !== null}
              label={large ? ALLERGIES[one].question : sentence(ALLERGIES[one].label)}
              onChange={() => {
                change({ allergies: toggled(doc.allergies, one) });
                answered("allergies");
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
                answered("allergies");
              }}
            />
          </div>
        </>,
        undefined,
        () => change({ allergies: [], otherAllergies: "" }),
      )}
      {group(
        "elsewhere",
        words("Done elsewhere since the last visit here", "What was done elsewhere since you were last here"),
        <>
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
                answered("elsewhere");
              }}
            >
              Name something
            </Button>
          </div>
        </>,
        "nothing",
        () => change({ elsewhere: [] }),
      )}
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

type Elsewhere = Consultation["elsewhere"][number];

/** One thing done elsewhere: what, and when if anybody knows. */
function DoneElsewhere({
  one,
  today,
  onChange,
  onDrop,
}: {
  one: Elsewhere;
  today: string;
  onChange: (part: Partial<Elsewhere>) => void;
  onDrop: () => void;
}) {
  return (
    <div className="grid items-end gap-3 sm:col-span-2 sm:grid-cols-[minmax(0,1fr)_10rem_auto] sm:pl-8">
      <SelectField
        label="What"
        value={`${one.treatment} ${one.part}`}
        onChange={(event) => {
          const [treatment, part] = event.target.value.split(" ") as [Treatment, "lashes" | "brows"];
          onChange({ treatment, part });
        }}
      >
        {ELSEWHERE.map(({ treatment, part, label }) => (
          <option key={label} value={`${treatment} ${part}`}>
            {label}
          </option>
        ))}
      </SelectField>
      <TextField
        label="When"
        type="date"
        max={today}
        value={one.on ?? ""}
        onChange={(event) => onChange({ on: event.target.value || null })}
      />
      <Button tone="plain" onClick={onDrop}>
        Not this
      </Button>
    </div>
  );
}

function Tick({
  checked,
  label,
  onChange,
  stop,
  large,
}: {
  checked: boolean;
  label: string;
  onChange: () => void;
  stop?: boolean;
  large?: boolean;
}) {
  return (
    <label className={cx("flex items-center gap-3 rounded-md hover:bg-moss-soft", large ? "min-h-14 text-xl" : "min-h-9")}>
      <input
        type="checkbox"
        className={cx("shrink-0 accent-[var(--ivy)]", large ? "size-7" : "size-5")}
        checked={checked}
        onChange={onChange}
      />
      <span className={stop ? "text-rosehip" : undefined}>{label}</span>
    </label>
  );
}
