"use client";
import { CURL_IDS, CURLS, type CurlId } from "@/core/curl";
import type { Policy } from "@/core/policy";
import { TextField } from "@/ui";
import { readNumber } from "@/ui/readNumber";

/** Curls as typed: empty where the studio keeps the working value. */
export type TypedCurls = Readonly<Record<CurlId, { readonly turn: string; readonly base: string; readonly over: string }>>;

export const curlsTyped = (curls: Policy["curls"]): TypedCurls =>
  Object.fromEntries(
    CURL_IDS.map((id) => {
      const curl = curls[id];
      return [
        id,
        {
          turn: curl ? String(curl.turnDeg) : "",
          base: curl ? String(curl.baseStraightMm) : "",
          over: curl ? String(Math.round(curl.turnOver * 100)) : "",
        },
      ];
    }),
  ) as TypedCurls;

/** Curls to be kept: those of which anything is typed, what is left empty standing at its working value. */
export function readCurls(typed: TypedCurls): Policy["curls"] {
  const read = (text: string, usual: number, per = 1) => (text.trim() ? (readNumber(text) ?? Number.NaN) / per : usual);
  return Object.fromEntries(
    CURL_IDS.flatMap((id) => {
      const { turn, base, over } = typed[id];
      if (![turn, base, over].some((text) => text.trim())) return [];
      const usual = CURLS[id];
      return [
        [
          id,
          {
            turnDeg: read(turn, usual.turnDeg),
            baseStraightMm: read(base, usual.baseStraightMm),
            turnOver: read(over, usual.turnOver, 100),
          },
        ],
      ];
    }),
  );
}

/** The studio's own geometry of the curl letters, each beside the working value. */
export function CurlFields({
  value,
  said,
  onChange,
}: {
  value: TypedCurls;
  /** What is wrong at a place of the policy. */
  said: (path: string) => string | undefined;
  onChange: (value: TypedCurls) => void;
}) {
  return (
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
                  value={value[id][key]}
                  error={said(`curls.${id}.${path}`)}
                  onChange={(event) => onChange({ ...value, [id]: { ...value[id], [key]: event.target.value } })}
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
  );
}
