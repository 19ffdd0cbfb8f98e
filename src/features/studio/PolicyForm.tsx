"use client";
import { useState } from "react";
import { defaultPolicy, POLICY_FIELDS, type Policy, type PolicyField } from "@/core/policy";
import { Button, Notice, SelectField, TextField } from "@/ui";
import { savePolicy } from "./actions";

type Typed = Record<PolicyField["key"], string>;
const typedOf = (policy: Policy) => Object.fromEntries(POLICY_FIELDS.map(({ key }) => [key, String(policy[key])])) as Typed;
const GROUPS = [...new Set(POLICY_FIELDS.map((field) => field.group))];

/** What the studio has decided where practitioners disagree, each with its default and the reason. */
export function PolicyForm({ policy, revision, mayChange }: { policy: Policy; revision: number; mayChange: boolean }) {
  const [typed, setTyped] = useState(() => typedOf(policy));
  const [base, setBase] = useState(revision);
  const [told, setTold] = useState<{ tone: "good" | "stop"; message: string; fields: Readonly<Record<string, string>> } | null>(null);
  const submit = async (event: React.FormEvent) => {
    event.preventDefault();
    const read = Object.fromEntries(
      POLICY_FIELDS.map(({ key, options }) => [
        key,
        options ? typed[key] : typed[key].trim() === "" ? undefined : Number(typed[key].replace(",", ".")),
      ]),
    );
    const result = await savePolicy({ base, policy: { version: 2, curls: policy.curls, ...read } }).catch(() => null);
    if (result?.ok) {
      setBase(result.data.revision);
      setTold({ tone: "good", message: "Kept. Maps and clocks follow it from now on.", fields: {} });
    } else
      setTold({
        tone: "stop",
        message: result?.message ?? "The server did not answer. What you typed is still here.",
        fields: Object.fromEntries(Object.entries(result?.fields ?? {}).map(([key, words]) => [key.replace(/^policy\./, ""), words])),
      });
  };
  return (
    <form onSubmit={submit} noValidate>
      <fieldset disabled={!mayChange}>
        <legend className="sr-only">Studio policy</legend>
        {GROUPS.map((group) => (
          <div key={group} className="border-t border-line py-4">
            <h3 className="text-xl">{group}</h3>
            <div className="mt-2 grid gap-x-8 gap-y-4 md:grid-cols-2">
              {POLICY_FIELDS.filter((field) => field.group === group).map((field) => {
                const hint = `${field.reason} Default: ${field.options?.find(({ value }) => value === defaultPolicy[field.key])?.label ?? `${defaultPolicy[field.key]} ${field.unit}`} (${field.standing}).`;
                const common = { label: field.label, hint, error: told?.fields[field.key], value: typed[field.key], name: field.key };
                const change = (value: string) => setTyped({ ...typed, [field.key]: value });
                return field.options ? (
                  <SelectField key={field.key} {...common} onChange={(event) => change(event.target.value)}>
                    {field.options.map(({ value, label }) => (
                      <option key={value} value={value}>
                        {label}
                      </option>
                    ))}
                  </SelectField>
                ) : (
                  <TextField
                    key={field.key}
                    {...common}
                    unit={field.unit}
                    inputMode="decimal"
                    onChange={(event) => change(event.target.value)}
                  />
                );
              })}
            </div>
          </div>
        ))}
      </fieldset>
      {told ? <Notice tone={told.tone} title={told.message} className="mb-4" /> : null}
      {mayChange ? (
        <div className="flex gap-3">
          <Button type="submit">Keep the policy</Button>
          <Button tone="plain" onClick={() => setTyped(typedOf(defaultPolicy))}>
            Fill in the defaults
          </Button>
        </div>
      ) : (
        <p className="text-ink-2">Only the owner changes these.</p>
      )}
    </form>
  );
}
