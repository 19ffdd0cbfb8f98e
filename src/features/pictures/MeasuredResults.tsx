"use client";
import { OWN_CURLS, type OwnCurl } from "@/core/eye";
import { measureClosed, measureOpen, type PictureMarks } from "@/core/measure";
import { optionsOf } from "@/features/survey/optionsOf";
import { Button, Choice, Verdict } from "@/ui";
import type { KeptPicture } from "./data";

/** A length with its spread. */
const withSpread = (value: number, off: number) => `${value.toFixed(1)} ± ${off.toFixed(1)} mm`;

/** What the marks on one picture come to, or why they come to nothing yet. */
export function MeasuredResults({
  picture,
  marks,
  ownCurl,
  onOwnCurl,
  onRemove,
}: {
  picture: KeptPicture;
  marks: PictureMarks;
  ownCurl: OwnCurl;
  onOwnCurl: (curl: OwnCurl) => void;
  onRemove: (() => Promise<void>) | null;
}) {
  const result = picture.kind === "open" ? measureOpen(marks) : measureClosed(marks, OWN_CURLS[ownCurl].turnDeg);
  const line = (label: string, value: string) => (
    <div key={label} className="contents">
      <dt className="text-ink-2">{label}</dt>
      <dd className="text-right font-semibold">{value}</dd>
    </div>
  );
  return (
    <section aria-label="Measured" data-testid="measured">
      <h2 className="text-xl">Measured</h2>
      {picture.kind === "closed" ? (
        <Choice label="Lashes are" value={ownCurl} options={optionsOf(OWN_CURLS)} onChange={onOwnCurl} className="mt-1" />
      ) : null}
      {"problem" in result ? (
        <p className="mt-2 text-[0.9375rem]">
          <Verdict tone="note">{result.problem}</Verdict>
        </p>
      ) : (
        <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-3 gap-y-1 border-t border-line pt-2 text-[0.9375rem]">
          {"lidMm" in result
            ? [
                line("Lid, as seen", `${result.lidMm.toFixed(1)} mm`),
                line("Iris, inner edge", `${(result.landmarks.irisInner * 100).toFixed(0)} % out`),
                line("Pupil", `${(result.landmarks.pupil * 100).toFixed(0)} % out`),
                line("Iris, outer edge", `${(result.landmarks.irisOuter * 100).toFixed(0)} % out`),
                line("Brow peak", `${(result.landmarks.browPeak * 100).toFixed(0)} % out`),
                line("Outer corner rises", `${result.outerRiseDeg.toFixed(1)}°`),
                line("Outline", result.shape),
              ]
            : [
                line("Lash line", result.lashLineMm === null ? "draw it" : withSpread(result.lashLineMm, result.lashLineOffMm!)),
                ...result.places.map((place) =>
                  line(
                    `At ${(place.at * 100).toFixed(0)} %, ${place.lashes} ${place.lashes === 1 ? "lash" : "lashes"}`,
                    withSpread(place.lengthMm, place.spreadMm),
                  ),
                ),
                line("One lash may be off by", `${result.lashOffMm.toFixed(1)} mm`),
                line("Scale turned", `${result.turnedDeg.toFixed(0)}°`),
                line("Pad leans", result.tiltDeg === null ? "not known" : `${result.tiltDeg.toFixed(0)}°`),
              ]}
        </dl>
      )}
      {"tiltDeg" in result && result.tiltDeg === null ? (
        <p className="mt-2 text-sm text-ink-2">
          Mark a second length across the scale and the lean of the pad is taken out; until then it is in the spread.
        </p>
      ) : null}
      {onRemove ? (
        <Button tone="plain" className="mt-2 -ml-4" onClick={() => void onRemove()}>
          Take this picture away
        </Button>
      ) : null}
    </section>
  );
}
