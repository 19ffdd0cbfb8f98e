"use client";
import { PROCESS_PRIORS, takenAfter, blendShades, colourDifference, DEPTHS, hairColour, onHair } from "@/core/colour";
import { doseWords, isMix, mixObjection, PRODUCT_KINDS, type Mix, type MixProblem, type Recipe } from "@/core/mixing";
import type { ProcessStep } from "@/core/protocol";
import { Button, NumberField, SelectField, Verdict } from "@/ui";
import { DoseFields } from "@/features/shelf/DoseFields";
import type { StockedProduct } from "@/features/shelf/stock";
import { formatPercent } from "@/core/units";

const percent = (fraction: number) => formatPercent(fraction, 1);

/** A recipe: shades in parts, developers in parts, how much of each for a pair of lashes. */
export function RecipeEditor({
  step,
  recipe,
  products,
  onChange,
}: {
  step: ProcessStep;
  recipe: Recipe;
  products: readonly StockedProduct[];
  onChange: (recipe: Recipe) => void;
}) {
  const colours = products.filter(({ document }) => document.kind === step.product);
  const developers = products.filter(({ document }) => document.kind === "developer");
  const side = (key: "colours" | "developers", offered: readonly StockedProduct[], name: string) => (
    <div>
      {recipe[key].map((one, i) => (
        <div key={i} className="mb-1.5 flex items-end gap-2">
          <div className="w-52">
            <SelectField
              label={`${name}${recipe[key].length > 1 ? ` ${i + 1}` : ""}`}
              value={one.productId}
              onChange={(event) =>
                onChange({ ...recipe, [key]: recipe[key].map((old, j) => (j === i ? { ...old, productId: event.target.value } : old)) })
              }
            >
              {offered.map(({ id, document }) => (
                <option key={id} value={id}>
                  {document.name}
                </option>
              ))}
            </SelectField>
          </div>
          <div className="w-20">
            <NumberField
              label="parts"
              min={0.1}
              max={20}
              value={one.parts}
              onChange={(parts) => onChange({ ...recipe, [key]: recipe[key].map((old, j) => (j === i ? { ...old, parts } : old)) })}
            />
          </div>
          {recipe[key].length > 1 ? (
            <Button
              tone="plain"
              className="whitespace-nowrap"
              onClick={() => onChange({ ...recipe, [key]: recipe[key].filter((_, j) => j !== i) })}
            >
              Leave out
            </Button>
          ) : null}
        </div>
      ))}
      {recipe[key].length < Math.min(4, offered.length) ? (
        <Button
          tone="plain"
          className="-ml-4"
          onClick={() =>
            onChange({
              ...recipe,
              [key]: [
                ...recipe[key],
                { productId: offered.find(({ id }) => !recipe[key].some((one) => one.productId === id))?.id ?? offered[0]!.id, parts: 1 },
              ],
            })
          }
        >
          {key === "colours" ? "Add a shade" : "Blend with another strength"}
        </Button>
      ) : null}
    </div>
  );
  const amount = (of: "colour" | "developer") => (
    <DoseFields
      label="for a pair"
      amount={recipe[`${of}Amount`]}
      unit={recipe[`${of}Unit`]}
      onChange={(value, unit) => onChange({ ...recipe, [`${of}Amount`]: value, [`${of}Unit`]: unit })}
    />
  );
  return (
    <div className="space-y-3">
      {side("colours", colours, PRODUCT_KINDS[step.product!].label)}
      {amount("colour")}
      <div className="border-t border-line" />
      {developers.length > 0 ? (
        <>
          {side("developers", developers, "developer")}
          {amount("developer")}
        </>
      ) : null}
    </div>
  );
}

/** What a mix comes to: the amounts to dose, the peroxide in it, what is left over, what it costs. */
export function MixAmounts({ mix, on }: { mix: Mix | MixProblem; on: "lashes" | "brows" }) {
  if (!isMix(mix))
    return (
      <p>
        <Verdict tone="stop">{mix.problem}</Verdict>
      </p>
    );
  const { peroxide } = mix;
  const most = Math.max(...mix.lines.map(({ grams }) => grams.mid));
  return (
    <div data-testid="mix-amounts">
      <ul className="space-y-1.5">
        {mix.lines.map((line) => (
          <li
            key={line.productId}
            className="flex min-h-12 items-center justify-between gap-4 rounded-md border border-line-strong px-3 text-xl font-semibold"
            style={
              line.product.colour
                ? { background: line.product.colour, color: "#f6f2e9", width: `${Math.max(58, (100 * line.grams.mid) / most)}%` }
                : { width: "100%" }
            }
          >
            <span>{doseWords(line.dosed, line.unit)}</span>
            <span className="text-base font-normal">{line.product.name}</span>
          </li>
        ))}
      </ul>
      <p className="mt-2">
        {peroxide.state === "stopped" ? (
          <Verdict tone="stop">Stopped: {mixObjection(mix)}</Verdict>
        ) : peroxide.state === "caution" ? (
          <Verdict tone="look">
            {percent(peroxide.range.low)} to {percent(peroxide.range.high)} peroxide, likely {percent(peroxide.range.mid)}: not known to be
            under {percent(peroxide.limit!)}. Count drops or measure the nozzle once.
          </Verdict>
        ) : peroxide.range.high > 0 ? (
          <Verdict tone="good">
            {peroxide.known ? percent(peroxide.range.mid) : `${percent(peroxide.range.low)} to ${percent(peroxide.range.high)}`} peroxide in
            the mix
            {on === "lashes" ? `, lash limit ${percent(peroxide.limit!)}` : "; on brows the leaflet is the limit"}
          </Verdict>
        ) : (
          <Verdict tone="note">No peroxide in it.</Verdict>
        )}
      </p>
      <p className="mt-1 text-[0.9375rem] text-ink-2">
        {mix.grams.mid.toFixed(2)} g in all, {mix.leftoverG.toFixed(2)} g more than is needed
        {mix.ratioError > 0.005
          ? `; rounding shifts the ratio by ${(mix.ratioError * 100).toFixed(0)} %`
          : "; rounding leaves the ratio as it is"}
        {mix.cost === null ? "" : `; costs ${mix.cost.toFixed(2)}`}.
      </p>
    </div>
  );
}

/** The blend as it may look on this hair; a guide. */
export function BlendSwatches({
  recipe,
  products,
  fromDepth,
  product,
  seconds,
  targetDepth,
}: {
  recipe: Recipe;
  products: readonly StockedProduct[];
  fromDepth: number;
  product: ProcessStep["product"];
  /** How long it is planned to lie. */
  seconds: number;
  targetDepth: number | null;
}) {
  const shades = recipe.colours.flatMap(({ productId, parts }) => {
    const colour = products.find(({ id }) => id === productId)?.document.colour;
    return colour ? [{ colour, parts }] : [];
  });
  if (shades.length === 0) return null;
  const blend = blendShades(shades);
  const hair = hairColour(fromDepth);
  const prior = product === "toner" ? PROCESS_PRIORS.toner : PROCESS_PRIORS.tint;
  const after = onHair(blend, hair, takenAfter(seconds / 60, prior));
  const nearest = DEPTHS.reduce((a, b) => (colourDifference(b.hex, after) < colourDifference(a.hex, after) ? b : a));
  return (
    <figure>
      <div className="flex gap-2">
        {[
          [hair, `hair, ${fromDepth}`],
          [blend, "blend"],
          [after, `on this hair, about ${nearest.depth}`],
          ...(targetDepth === null ? [] : ([[hairColour(targetDepth), `wished, ${targetDepth}`]] as const)),
        ].map(([hex, label]) => (
          <div key={label} className="w-24">
            <div className="h-12 rounded-md border border-line" style={{ background: hex }} />
            <p className="mt-0.5 text-sm leading-4 text-ink-2">{label}</p>
          </div>
        ))}
      </div>
      <figcaption className="mt-1 text-sm text-ink-2">A guide, mixed as paint is: tint and hair are not paint.</figcaption>
    </figure>
  );
}
