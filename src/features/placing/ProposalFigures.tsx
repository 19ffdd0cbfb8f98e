import { formatClock, formatPercent } from "@/core/units";
import { cx, Verdict } from "@/ui";
import type { Proposal } from "./useReplan";

/** What remains, planned for the time there is: how much more, what it shows, and where the minutes go. */
export function ProposalFigures({ proposal: { minutes, more, look, uneven, placingS, beads, endS } }: { proposal: Proposal }) {
  const short = minutes * 60 < endS;
  return (
    <div data-testid="proposal" aria-live="polite">
      <p className="flex flex-wrap items-baseline justify-between gap-x-7 text-[6rem] leading-[0.92] font-semibold tracking-[-0.02em]">
        <span>
          {more} <span className="text-5xl">more</span>
        </span>
        <span className="whitespace-nowrap">{minutes} min</span>
      </p>
      <p className="flex flex-wrap items-baseline gap-x-7 text-5xl leading-[1.15] font-semibold">
        <span>
          <span className="font-normal text-ink-2">look </span>
          {formatPercent(look.now)} → {formatPercent(look.then)}
        </span>
        <span className="sm:ml-auto">
          {uneven ? (
            <span className={cx(uneven.lashes > 2 && "text-brass")}>
              {uneven.side} +{uneven.lashes}
            </span>
          ) : (
            <span className="font-normal text-ink-2">even</span>
          )}
        </span>
      </p>
      <p className="text-xl leading-7 text-ink-2 sm:text-2xl sm:leading-8">
        {short ? (
          <Verdict tone="stop">The cure is not cut: {formatClock(endS)} until the eyes may open, from the last lash.</Verdict>
        ) : (
          `${formatClock(placingS)} placing${beads > 0 ? `, ${beads} new ${beads === 1 ? "bead" : "beads"} with brush and eyes` : ""}, ${formatClock(endS)} last check and drying`
        )}
      </p>
    </div>
  );
}
