"use client";
import { useState } from "react";
import { CURL_IDS, CURLS, type CurlId } from "@/core/curl";
import { defaultPolicy, POLICY_FIELDS, type Policy, type PolicyField } from "@/core/policy";
import { Button, Notice, SelectField, TextField } from "@/ui";
import { readNumber } from "@/ui/readNumber";
import { savePolicy } from "./actions";
import { readSpacing, SpacingFields, spacingTyped } from "./SpacingFields";

type Typed = Record<PolicyField["key"], string>;
const typedOf = (policy: Policy) => Object.fromEntries(POLICY_FIELDS.map(({ key }) => [key, String(policy[key])])) as Typed;
type TypedCurls = Record<CurlId, { turn: string; base: string; over: string }>;
/** Curls as typed: empty where the studio keeps the working value. */
const curlsOf = (policy: Policy) =>
  Object.fromEntries(
    CURL_IDS.map((id) => {
      const own = policy.curls[id];
      return [
        id,
        {
          turn: own ? String(own.turnDeg) : "",
          base: own ? String(own.baseStraightMm) : "",
          over: own ? String(Math.round(own.turnOver * 100)) : "",
        },
      ];
    }),
  ) as TypedCurls;
const numberOf = (text: string) => readNumber(text) ?? NaN;
/** Curls to be kept: those of which anything is typed, what is left empty standing at its working value. */
const readCurls = (typed: TypedCurls) =>
  Object.fromEntries(
    CURL_IDS.flatMap((id) => {
      const { turn, base, over } = typed[id];
      if (!turn.trim() && !base.trim() && !over.trim()) return [];
      const usual = CURLS[id];
      return [
        [
          id,
          {
            turnDeg: turn.trim() ? numberOf(turn) : usual.turnDeg,
            baseStraightMm: base.trim() ? numberOf(base) : usual.baseStraightMm,
            turnOver: over.trim() ? numberOf(over) / 100 : usual.turnOver,
          },
        ],
      ];
    }),
  );
const GROUPS = [...new Set(POLICY_FIELDS.map((field) => field.group))];

/** What the studio has decided where practitioners disagree, each with its default and the reason. */
export function PolicyForm({ policy, revision, mayChange }: { policy: Policy; revision: number; mayChange: boolean }) {
  const [typed, setTyped] = useState(() => typedOf(policy));
  const [curls, setCurls] = useState(() => curlsOf(policy));
  const [spacing, setSpacing] = useState(() => spacingTyped(policy.spacing));
  const [local, setLocal] = useState({ country: policy.country, localNotes: policy.localNotes });
  const [base, setBase] = useState(revision);
  const [told, setTold] = useState<{ tone: "good" | "stop"; message: string; fields: Readonly<Record<string, string>> } | null>(null);
  const submit = async (event: React.FormEvent) => {
    event.preventDefault();
    const read = Object.fromEntries(
      POLICY_FIELDS.map(({ key, options }) => [
        key,
        options ? typed[key] : typed[key].trim() === "" ? undefined : (readNumber(typed[key]) ?? NaN),
      ]),
    );
    const result = await savePolicy({
      base,
      policy: { version: defaultPolicy.version, curls: readCurls(curls), spacing: readSpacing(spacing), ...local, ...read },
    }).catch(() => null);
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
        <SpacingFields value={spacing} errors={told?.fields ?? {}} onChange={setSpacing} />
        <div className="border-t border-line py-4">
          <h3 className="text-xl">Curls</h3>
          <p className="mt-1 text-sm text-ink-2">
            Letters have no standard. Measure one of yours against a protractor and type it here; what is left empty keeps the working value
            (from memory). A tray&rsquo;s own geometry, where it was measured, comes before both.
          </p>
          <table className="mt-2 w-full max-w-xl text-[0.9375rem]">
            <thead>
              <tr className="text-left text-sm text-ink-2">
                <th className="font-normal">Curl</th>
                <th className="font-normal">Turn, °</th>
                <th className="font-normal">Straight base, mm</th>
                <th className="font-normal">Turns over, %</th>
              </tr>
            </thead>
            <tbody>
              {CURL_IDS.map((id) => {
                const usual = CURLS[id];
                const field = (key: "turn" | "base" | "over", label: string, placeholder: number, path: string) => (
                  <td className="pr-2 pb-1 align-top">
                    <TextField
                      hideLabel
                      label={`${id}, ${label}`}
                      inputMode="decimal"
                      placeholder={String(placeholder)}
                      value={curls[id][key]}
                      error={told?.fields[`curls.${id}.${path}`]}
                      onChange={(event) => setCurls({ ...curls, [id]: { ...curls[id], [key]: event.target.value } })}
                    />
                  </td>
                );
                return (
                  <tr key={id}>
                    <th className="pr-3 text-left font-semibold">{id}</th>
                    {field("turn", "turn in degrees", usual.turnDeg, "turnDeg")}
                    {field("base", "straight base in mm", usual.baseStraightMm, "baseStraightMm")}
                    {field("over", "share it turns over in per cent", Math.round(usual.turnOver * 100), "turnOver")}
                  </tr>
                );
              })}
            </tbody>
          </table>
        </div>
        <div className="border-t border-line py-4">
          <h3 className="text-xl">Local code</h3>
          <p className="mt-1 text-sm text-ink-2">
            Rules differ by place: some forbid lash tint outright, licences differ. These notes stand where colour and lift are planned.
          </p>
          <div className="mt-2 max-w-2xl space-y-3">
            <TextField
              label="Country or state"
              value={local.country}
              error={told?.fields.country}
              onChange={(event) => setLocal({ ...local, country: event.target.value })}
            />
            <label className="block">
              <span className="block text-[0.9375rem] font-semibold">Notes</span>
              <textarea
                rows={6}
                value={local.localNotes}
                onChange={(event) => setLocal({ ...local, localNotes: event.target.value })}
                className="mt-1 w-full rounded-md border border-line-strong bg-leaf px-3 py-2"
              />
            </label>
            {told?.fields.localNotes ? <p className="text-sm text-rosehip">{told.fields.localNotes}</p> : null}
          </div>
        </div>
      </fieldset>
      {told ? <Notice tone={told.tone} title={told.message} className="mb-4" /> : null}
      {mayChange ? (
        <div className="flex gap-3">
          <Button type="submit">Keep the policy</Button>
          <Button
            tone="plain"
            onClick={() => {
              // What the owner confirmed of the law is no default.
              setTyped({ ...typedOf(defaultPolicy), lashTintLawful: typed.lashTintLawful });
              setSpacing(spacingTyped(defaultPolicy.spacing));
              setCurls(curlsOf(defaultPolicy));
            }}
          >
            Fill in the defaults
          </Button>
        </div>
      ) : (
        <p className="text-ink-2">Only the owner changes these.</p>
      )}
    </form>
  );
}
