import type { Technique } from "@/core/lash";
import { ageWords, fitnessWords, setTimeWords, windowWords } from "@/features/shelf/glueWords";
import type { RatedBottle } from "@/features/shelf/ratedBottles";
import { TechniqueChoice } from "@/features/shelf/TechniqueChoice";
import { Empty, LinkButton, Verdict, cx } from "@/ui";
import { adviceWords } from "./words";

/** The open bottles, best first for this air and hand; the chosen one says why and what would help. */
export function BottleList({
  rated,
  chosen,
  onChoose,
  technique,
  onTechnique,
}: {
  rated: readonly RatedBottle[];
  chosen: RatedBottle | undefined;
  onChoose: (bottleId: string) => void;
  technique: Technique;
  onTechnique: (technique: Technique) => void;
}) {
  return (
    <section aria-label="Bottles">
      <div className="flex flex-wrap items-baseline justify-between gap-x-3">
        <h2 className="text-xl">Bottles, best for you now</h2>
        <TechniqueChoice label="Placing" value={technique} onChange={onTechnique} />
      </div>
      {rated.length === 0 ? (
        <Empty title="No bottle is open">
          <LinkButton href="/shelf" tone="line">
            To the shelf
          </LinkButton>
        </Empty>
      ) : null}
      <ul className="mt-2">
        {rated.map((one) => {
          const isChosen = one.bottle.id === chosen?.bottle.id;
          const words = fitnessWords(one.fitness);
          return (
            <li key={one.bottle.id} className="border-t border-line py-2.5" data-bottle={one.bottle.lot}>
              <button
                type="button"
                aria-pressed={isChosen}
                onClick={() => onChoose(one.bottle.id)}
                className="flex w-full items-baseline justify-between gap-3 rounded px-1 text-left hover:bg-moss-soft"
              >
                <span className={cx("font-semibold", isChosen && "underline decoration-ivy decoration-2 underline-offset-4")}>
                  {one.bottle.adhesive.name}, lot {one.bottle.lot}
                </span>
                <Verdict tone={words.tone}>{words.word}</Verdict>
              </button>
              <div className="mt-0.5 px-1 text-[0.9375rem] text-ink-2">
                <p>{words.says}</p>
                {isChosen ? <Reasons {...one} /> : null}
              </div>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function Reasons({ bottle, fitness }: RatedBottle) {
  // The first way stands as the room's plan over the bottles; here is what else would do.
  const { fits, verdict } = fitness;
  const others = fits || verdict?.temperature !== "fits" ? [] : verdict.advice.slice(1);
  return (
    <>
      {fitness.expected ? <p>{setTimeWords(fitness.expected, bottle.adhesive.setTimeS)}</p> : null}
      {others.map((advice, i) => (
        <p key={i} className="mt-1.5 border-l-2 border-ivy pl-3 text-ink">
          Or: {adviceWords(advice)}
        </p>
      ))}
      <p className="mt-1">
        {ageWords(fitness, bottle.adhesive.lifeAfterOpeningDays)}. Window {windowWords(bottle.adhesive)}.
      </p>
    </>
  );
}
