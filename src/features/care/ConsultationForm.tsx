"use client";
import { useEffect } from "react";
import {
  ALLERGIES,
  ALLERGY_IDS,
  CONDITIONS,
  CONDITION_IDS,
  NOTHING_SO,
  openQuestions,
  type Allergy,
  type Condition,
  type ConditionGroup,
  type Consultation,
  type QuestionGroup,
} from "@/core/care";
import { serviceOf, type ServiceId } from "@/core/service";
import { sentence } from "@/core/units";
import { Button, TextField } from "@/ui";
import { FormBody, useStudioForm, type FormAnswer } from "@/ui/form";
import { AnswerGroup, Tick } from "./AnswerGroup";
import { DoneElsewhere } from "./DoneElsewhere";
import { OperationFields } from "./OperationFields";

type Who = "technician" | "client";
/** Groups of which it was said that nothing is so. */
type Answered = Readonly<Partial<Record<QuestionGroup, boolean>>>;

const STILL_OPEN = "Some questions are still open: choose what is so, or “none of these”.";

const GROUPS: readonly { readonly id: ConditionGroup; readonly title: Record<Who, string> }[] = [
  { id: "eyes", title: { technician: "Eyes and skin today", client: "Your eyes and skin today" } },
  { id: "health", title: { technician: "Health", client: "Your health" } },
  { id: "brows", title: { technician: "Brows", client: "Your brows" } },
];
/**
 * The consultation asked whole, by the technician or in the client's hands. Every group is chosen, by what is so or by “none
 * of these”; nothing is chosen for anybody, but allergies once named stand.
 */
export function ConsultationForm({
  who,
  service,
  known,
  bornOn: bornBefore,
  today,
  onKeep,
  onDirty,
}: {
  who: Who;
  service: ServiceId;
  known: Consultation | null;
  bornOn: string | null;
  today: string;
  onKeep: (document: Consultation, bornOn: string) => Promise<FormAnswer<unknown>>;
  /** Told whether something is answered that is not kept. */
  onDirty?: (isDirty: boolean) => void;
}) {
  const { parts, consultation } = serviceOf(service);
  const groups = GROUPS.filter(({ id }) => id !== "brows" || parts.includes("brows"));
  const openOf = (document: Consultation, none: Answered) =>
    openQuestions(
      document,
      none,
      groups.map(({ id }) => id),
    );
  const form = useStudioForm({
    values: {
      doc: {
        ...NOTHING_SO,
        allergies: known?.allergies ?? [],
        otherAllergies: known?.otherAllergies ?? "",
        operation: known?.operation ?? null,
      } as Consultation,
      none: {} as Answered,
      bornOn: bornBefore ?? "",
    },
    send: async (given: { readonly doc: Consultation; readonly none: Answered; readonly bornOn: string }): Promise<FormAnswer<unknown>> =>
      openOf(given.doc, given.none).length > 0 ? { ok: false, message: STILL_OPEN, fields: {} } : onKeep(given.doc, given.bornOn),
    still: "What you chose is still here; try again.",
  });
  const { doc, none } = form.now;
  const open = openOf(doc, none);
  const { isDirty } = form;
  useEffect(() => onDirty?.(isDirty), [onDirty, isDirty]);
  const change = (part: Partial<Consultation>) => form.set("doc", { ...doc, ...part });
  const toggled = <T extends string>(list: readonly T[], id: T) => (list.includes(id) ? list.filter((one) => one !== id) : [...list, id]);
  const large = who === "client";
  const words = (mine: string, yours: string) => (large ? yours : mine);

  const choose = (id: QuestionGroup) => form.set("none", { ...none, [id]: false });
  /** What every group of questions has: whether nothing of it is so, and whether it was left open. `clear` empties it. */
  const asked = (id: QuestionGroup, clear: () => void) => ({
    large,
    isMissed: form.problem !== null && open.includes(id),
    isNone: none[id] ?? false,
    onNone: () => {
      if (!none[id]) clear();
      form.set("none", { ...none, [id]: !none[id] });
    },
  });

  return (
    <FormBody form={form} submit={words("Keep the answers", "These are my answers")} size={large ? "bed" : "usual"} className="space-y-0">
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
        <TextField label={words("Date of birth", "Your date of birth")} type="date" max={today} {...form.field("bornOn")} />
      </div>
      <p className="mt-4 text-sm text-ink-2">
        {words(
          "Leaflets, local code and a doctor’s word come before this list.",
          "If you are not sure, ask. A clear patch test is no promise; say at once if anything stings or itches.",
        )}
      </p>
    </FormBody>
  );
}
