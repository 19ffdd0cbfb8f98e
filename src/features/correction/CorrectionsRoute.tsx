import { mayActAs, requireMember } from "@/server/member";
import { CorrectionSheet } from "./CorrectionSheet";
import { correctionLines } from "./data";

/** What was put right at a finished visit, and the way to put something right. */
export async function CorrectionsRoute({ visitId }: { visitId: string }) {
  const member = await requireMember();
  const lines = await correctionLines(member, visitId);
  const mayCorrect = mayActAs(member, "technician");
  if (lines.length === 0 && !mayCorrect) return null;
  return (
    <section aria-labelledby="corrections" className="mt-10 border-t border-line pt-4">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-2">
        <h2 id="corrections" className="text-2xl">
          Corrections
        </h2>
        {mayCorrect ? <CorrectionSheet visitId={visitId} /> : null}
      </div>
      {lines.length === 0 ? (
        <p className="mt-1 text-[0.9375rem] text-ink-2">
          None. What was noted wrongly is put right here; what stood before stays readable.
        </p>
      ) : (
        <ol className="mt-2 divide-y divide-line">
          {lines.map(({ id, now, before, why, by, when }) => (
            <li key={id} className="grid gap-x-8 gap-y-0.5 py-2 sm:grid-cols-[minmax(0,1fr)_auto]">
              <p className="min-w-0 break-words">
                <b>{now}</b> <span className="text-ink-2">before: {before}</span>
                <span className="block text-[0.9375rem]">{why}</span>
              </p>
              <p className="text-sm text-ink-2 sm:text-right">
                {by}, {when}
              </p>
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}
