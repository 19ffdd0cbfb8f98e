import { EYES_SHUT_AT_LEAST_S, type CureLedger, type EyesOpen } from "@/core/adhesive";
import { formatClock } from "@/core/units";
import { Verdict } from "@/ui";

/** When the eyes may open: one clock that fills the eye, and what it waits for. */
export function EyesClock({ ledger, inReachS }: { ledger: CureLedger | null; inReachS: number | null }) {
  const eyes = ledger?.eyes;
  if (!eyes) return <p className="py-6 font-serif text-3xl">Nothing has been placed.</p>;
  const why = whyShut(eyes);
  return (
    <div data-testid="eyes-clock" data-state={eyes.may ? "may" : "shut"}>
      <p className={eyes.may ? "text-5xl leading-tight text-ivy" : "text-5xl leading-tight text-ink-2"}>
        {eyes.may ? "eyes may open" : "eyes stay shut"}
      </p>
      {eyes.may ? null : (
        <p className="text-[clamp(5.5rem,13vw,11rem)] leading-[0.95] font-semibold tracking-tight">{formatClock(eyes.leftHighS)}</p>
      )}
      <p className="mt-2 text-[2rem] leading-tight">
        <Verdict tone={eyes.may ? "good" : "note"} plain>
          {why}
        </Verdict>
      </p>
      {eyes.talked && !eyes.may ? (
        <p className="mt-2 text-xl text-ink-2">
          Longer, because the client talked or moved: {formatClock(eyes.atReferenceS)} of cure are asked.
        </p>
      ) : null}
      {eyes.mend ? (
        <p className="mt-2 text-2xl">
          <Verdict tone="stop">Over twelve minutes in this air: mend the air, or mist by the leaflet.</Verdict>
        </p>
      ) : null}
      {!eyes.may && inReachS !== null && eyes.waitsFor === "dose" && eyes.leftS - inReachS > 30 ? (
        <p className="mt-2 text-xl text-ink-2">In the air this bottle wants it would be {formatClock(inReachS)}.</p>
      ) : null}
      {ledger && ledger.unheardS > 60 ? (
        <p className="mt-2 text-xl">
          <Verdict tone="look">
            {Math.round(ledger.unheardS / 60)} min of this air was not heard: {formatClock(eyes.leftLowS)} to {formatClock(eyes.leftHighS)},
            the longer is shown.
          </Verdict>
        </p>
      ) : null}
    </div>
  );
}

/** Air this near to the reference is not called slow or fast. */
const AS_REFERENCE = 0.05;

function whyShut({ may, waitsFor, times, sinceS, leftS }: EyesOpen): string {
  if (may) return "No sting, no upper lash stuck to a lower one: then open, slowly.";
  switch (waitsFor) {
    case "clock":
      return `Vapour must clear: ${EYES_SHUT_AT_LEAST_S / 60} minutes by the clock at least, fanning.`;
    case "finish":
      return "By the finish's leaflet.";
    case "unread":
      return `No reading of the air: ${Math.round((sinceS + leftS) / 60)} min to be sure.`;
    default:
      if (times === null || Math.abs(times - 1) < AS_REFERENCE) return "Curing as at 22 °C and 50 %.";
      return `This air cures ${times > 1 ? `${times.toFixed(1)} × as slowly` : `${(1 / times).toFixed(1)} × as fast`} as at 22 °C and 50 %.`;
  }
}
