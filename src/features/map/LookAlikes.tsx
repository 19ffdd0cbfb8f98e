"use client";
import { useMemo, useState } from "react";
import { CURL_IDS, type CurlId } from "@/core/curl";
import { FIBRE_LENGTHS_MM, countLabel, type Fibre } from "@/core/lash";
import { fibreCurl, fibreOnLash, kindLabel, kindOf, lookAlikes, setZone, type ZoneFacts } from "@/core/map";
import { sideLabel } from "@/core/eye";
import { formatMm } from "@/core/units";
import { layPlate } from "@/features/drawing/plate";
import { Profile } from "@/features/drawing/Profile";
import { EyesCanvas } from "@/features/drawing/EyesCanvas";
import { useCurls } from "@/features/drawing/useCurls";
import { ZoneMarks } from "@/features/drawing/ZoneMarks";
import { Button, Dialog, SelectField } from "@/ui";
import type { MapStudio } from "./useMapStudio";

const LENGTHS = Array.from(
  { length: FIBRE_LENGTHS_MM.longestWorn - FIBRE_LENGTHS_MM.shortest + 1 },
  (_, i) => FIBRE_LENGTHS_MM.shortest + i,
);

/** "The look of 14 with 11": what the client wishes for, and the lightest in stock that lifts as far, drawn side by side. */
export function LookAlikes({ studio, zone, onTake }: { studio: MapStudio; zone: ZoneFacts; onTake: (fibre: Fibre) => void }) {
  const { policy, trays } = studio.facts;
  const { natural } = zone.limit;
  const [open, setOpen] = useState(false);
  const [lengthMm, setLengthMm] = useState(14);
  const [curl, setCurl] = useState<CurlId>("C");
  const [shown, setShown] = useState(0);
  const worn = zone.fibre!;
  const like: Fibre = { ...kindOf(worn), curl, lengthMm };
  const wished = fibreOnLash(like, natural, policy, trays);
  const overhangMm = Math.min(wished.overhangMm, zone.limit.limitMm + policy.attachmentOffsetMm - natural.meanMm);
  const alikes = open ? lookAlikes({ liftMm: wished.liftMm, overhangMm, like }, zone.limit, policy, trays) : [];
  const chosen = alikes[Math.min(shown, alikes.length - 1)];
  const drawn = (fibre: Fibre, ink: string, dashed?: boolean) => ({
    key: kindLabel(fibre) + fibre.lengthMm,
    label: `${formatMm(fibre.lengthMm)} ${fibre.curl}`,
    curl: fibreCurl(fibre, trays, policy),
    lengthMm: fibre.lengthMm,
    ink,
    ...(dashed ? { dashed } : {}),
  });
  return (
    <>
      <Button tone="line" onClick={() => setOpen(true)}>
        The look of a longer one
      </Button>
      <Dialog open={open} onOpenChange={setOpen} title={`The look of ${lengthMm} ${curl}`} wide>
        <div className="grid gap-x-8 gap-y-4 md:grid-cols-[minmax(0,1fr)_20rem]">
          <div>
            <Profile
              label={`${lengthMm} ${curl} as wished, dashed, beside what is in stock`}
              natural={natural}
              offsetMm={policy.attachmentOffsetMm}
              width={480}
              fibres={[drawn(like, "var(--brass)", true), ...(chosen ? [drawn(chosen.fibre, "var(--ivy)")] : [])]}
            />
            <p className="text-[0.9375rem] text-ink-2">
              From the side at true proportion, on a natural lash of {natural.meanMm.toFixed(1)} mm. Dashed is the wish.
            </p>
            <div className="mt-4 grid grid-cols-2 gap-4">
              <FromTheFront studio={studio} zone={zone} fibre={like} caption={`as wished, ${lengthMm} ${curl}`} />
              {chosen ? (
                <FromTheFront
                  studio={studio}
                  zone={zone}
                  fibre={chosen.fibre}
                  caption={`with ${formatMm(chosen.fibre.lengthMm)} ${chosen.fibre.curl}`}
                />
              ) : null}
            </div>
          </div>
          <div className="space-y-3">
            <div className="flex gap-3">
              <SelectField label="Wished length" value={lengthMm} onChange={(event) => setLengthMm(Number(event.target.value))}>
                {LENGTHS.map((mm) => (
                  <option key={mm} value={mm}>
                    {mm} mm
                  </option>
                ))}
              </SelectField>
              <SelectField label="in curl" value={curl} onChange={(event) => setCurl(event.target.value as CurlId)}>
                {CURL_IDS.map((id) => (
                  <option key={id} value={id}>
                    {id}
                  </option>
                ))}
              </SelectField>
            </div>
            <p className="text-[0.9375rem]">
              It would lift {wished.liftMm.toFixed(1)} mm and stand {formatMm(wished.overhangMm)} mm past the lash;{" "}
              {formatMm(Math.max(0, overhangMm))} is allowed here.
            </p>
            {alikes.length === 0 ? (
              <p className="text-ink-2">Nothing in stock lifts so far within the limits of this zone. Wish for less, or a stronger curl.</p>
            ) : (
              <ul className="border-t border-line">
                {alikes.slice(0, 5).map(({ fibre, on, offLiftMm, loadResting }, i) => (
                  <li key={kindLabel(fibre)} className="border-b border-line">
                    <button
                      type="button"
                      aria-pressed={fibre === chosen?.fibre}
                      onClick={() => setShown(i)}
                      className="w-full px-2 py-2 text-left hover:bg-moss-soft aria-pressed:bg-moss-soft"
                    >
                      <b>
                        {formatMm(fibre.lengthMm)} mm {kindLabel(fibre)}
                        {countLabel(fibre) === "singles" ? "" : ` ${countLabel(fibre)}`}
                      </b>
                      <span className="block text-sm text-ink-2">
                        lifts {on.liftMm.toFixed(1)} ({offLiftMm >= 0 ? "+" : "−"}
                        {Math.abs(offLiftMm).toFixed(1)}), {on.massMg.toFixed(3)} mg, load {loadResting.toFixed(2)} ×
                      </span>
                    </button>
                  </li>
                ))}
              </ul>
            )}
            {chosen ? (
              <Button
                onClick={() => {
                  onTake(chosen.fibre);
                  setOpen(false);
                }}
              >
                Wear {formatMm(chosen.fibre.lengthMm)} {chosen.fibre.curl} here
              </Button>
            ) : null}
          </div>
        </div>
      </Dialog>
    </>
  );
}

const FRONT_PX = 232;

/** The eye from the front with this fibre in the zone, whose roots are marked. */
function FromTheFront({ studio, zone, fibre, caption }: { studio: MapStudio; zone: ZoneFacts; fibre: Fibre; caption: string }) {
  const { map, facts } = studio;
  const { survey, trays, policy } = facts;
  const { side, layer, index } = zone;
  const plate = useMemo(() => layPlate(survey, "mirror", FRONT_PX, { only: side }), [survey, side]);
  const worn = useMemo(() => setZone(map, side, index, fibre, layer), [map, side, index, fibre, layer]);
  const curlOf = useCurls({ trays, policy });
  return (
    <figure className="min-w-0">
      <div
        role="img"
        aria-label={`${sideLabel(side)} from the front, ${caption}`}
        className="eye-glass relative mx-auto"
        style={{ width: FRONT_PX, height: plate.eyeBottom }}
      >
        <EyesCanvas plate={plate} survey={survey} map={worn} curlOf={curlOf} offsetMm={policy.attachmentOffsetMm} />
        <svg width={FRONT_PX} height={plate.eyeBottom} className="absolute top-0 left-0">
          <ZoneMarks
            plate={plate}
            place={plate.eyes[0]!}
            survey={survey}
            map={worn}
            markOf={(l, z) => (l === layer && z === index ? "chosen" : "none")}
          />
        </svg>
      </div>
      <figcaption className="text-center text-sm text-ink-2">
        {sideLabel(side)}, {caption}
      </figcaption>
    </figure>
  );
}
