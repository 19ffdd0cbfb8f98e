"use client";
import { CURL_IDS } from "@/core/curl";
import { FIBRE_COLOUR_IDS, FIBRE_COLOURS, FIBRE_DIAMETERS_MM } from "@/core/lash";
import { SelectField, TextField } from "@/ui";
import { FormSheet, useStudioForm } from "@/ui/form";
import { readNumber } from "@/ui/readNumber";
import { addTray } from "./actions";
import { PRACTICE_LENGTHS, WORN_LENGTHS } from "./trayLengths";

const ALL = [...WORN_LENGTHS, ...PRACTICE_LENGTHS];
const USUAL = WORN_LENGTHS.filter((mm) => mm >= 7 && mm <= 13);

/** What was typed, or what stands for it where nothing was; no number where it is none. */
const numberOr = (typed: string, without: number) => (typed.trim() === "" ? without : (readNumber(typed) ?? NaN));

/** A tray: its curl, diameter, shape, colour, the lengths in it, and the maker's own curl where it was measured. */
export function TraySheet({ onClose }: { onClose: () => void }) {
  const form = useStudioForm({
    values: { curl: "C", diameter: "0.15", shape: "round", colour: "black", turn: "", base: "", over: "", lengthsMm: USUAL },
    input: ({ curl, diameter, shape, colour, turn, base, over, lengthsMm }) => ({
      curl,
      diameterMm: Number(diameter),
      shape,
      lengthsMm,
      ...(colour === "black" ? {} : { colour }),
      ...(turn.trim() === ""
        ? {}
        : { geometry: { turnDeg: numberOr(turn, NaN), baseStraightMm: numberOr(base, 0), turnOver: numberOr(over, 100) / 100 } }),
    }),
    schema: () => import("@/core/map").then(({ traySchema }) => traySchema),
    send: addTray,
    onKept: onClose,
    fieldOf: (path) => FIELD_OF[path] ?? path.split(".")[0]!,
  });
  const lengthsMm = form.now.lengthsMm;
  return (
    <FormSheet title="A tray for the shelf" form={form} submit="Put it on the shelf" onClose={onClose}>
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
        <SelectField label="Curl" {...form.field("curl")}>
          {CURL_IDS.map((curl) => (
            <option key={curl}>{curl}</option>
          ))}
        </SelectField>
        <SelectField label="Diameter, mm" {...form.field("diameter")}>
          {FIBRE_DIAMETERS_MM.map((mm) => (
            <option key={mm} value={mm}>
              {mm.toFixed(2)}
            </option>
          ))}
        </SelectField>
        <SelectField label="Shape" {...form.field("shape")}>
          <option>round</option>
          <option>flat</option>
        </SelectField>
        <SelectField label="Colour" {...form.field("colour")}>
          {FIBRE_COLOUR_IDS.map((id) => (
            <option key={id} value={id}>
              {FIBRE_COLOURS[id].label}
            </option>
          ))}
        </SelectField>
      </div>
      <details className="text-[0.9375rem]">
        <summary className="min-h-8 cursor-pointer text-ink-2">This maker&rsquo;s curl, measured</summary>
        <div className="mt-2 grid grid-cols-3 gap-3">
          <TextField label="Turn, °" inputMode="decimal" {...form.field("turn")} />
          <TextField label="Straight base, mm" inputMode="decimal" {...form.field("base")} />
          <TextField label="Turns over, %" inputMode="decimal" {...form.field("over")} />
        </div>
      </details>
      <fieldset>
        <legend className="text-sm text-ink-2">Lengths in it, mm</legend>
        {[WORN_LENGTHS, PRACTICE_LENGTHS].map((lengths) => (
          <div key={lengths[0]}>
            {lengths === PRACTICE_LENGTHS ? (
              <p className="mt-2 text-sm text-ink-2">For practice on a mannequin head, never for a client</p>
            ) : null}
            <div className="mt-1 flex flex-wrap gap-x-4 gap-y-2">
              {lengths.map((mm) => (
                <label key={mm} className="flex items-center gap-1.5">
                  <input
                    type="checkbox"
                    checked={lengthsMm.includes(mm)}
                    onChange={({ target }) =>
                      form.set(
                        "lengthsMm",
                        ALL.filter((one) => (one === mm ? target.checked : lengthsMm.includes(one))),
                      )
                    }
                    className="size-4 accent-[var(--ivy)]"
                  />
                  {mm}
                </label>
              ))}
            </div>
          </div>
        ))}
        {form.said("lengthsMm") ? <p className="mt-1 text-sm font-medium text-rosehip">{form.said("lengthsMm")}</p> : null}
      </fieldset>
    </FormSheet>
  );
}

/** Places of the tray whose field is called otherwise. */
const FIELD_OF: Readonly<Record<string, string>> = {
  diameterMm: "diameter",
  "geometry.turnDeg": "turn",
  "geometry.baseStraightMm": "base",
  "geometry.turnOver": "over",
};
