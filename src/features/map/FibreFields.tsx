import { FAN_OPENING_IDS, FAN_OPENINGS, FIBRE_COLOURS, mostCount } from "@/core/lash";
import { kindLabel, sameKind, stockedKinds, type FibreKind, type Tray } from "@/core/map";
import { SelectField } from "@/ui";

/** As a fibre is placed: singles, fans of n, or mixed. */
const PLACED: readonly { readonly count: number; readonly countTo?: number }[] = [
  { count: 1 },
  ...[2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 14, 16].map((count) => ({ count })),
  { count: 2, countTo: 3 },
  { count: 3, countTo: 5 },
  { count: 4, countTo: 6 },
  { count: 7, countTo: 10 },
];
const placedKey = ({ count, countTo }: { count: number; countTo?: number | undefined }) =>
  countTo && countTo !== count ? `${count}-${countTo}` : `${count}`;
const placedWords = ({ count, countTo }: { count: number; countTo?: number | undefined }) =>
  count === 1 && !countTo ? "singles" : countTo && countTo !== count ? `${count} to ${countTo}D, mixed` : `${count}D fans`;

/** Which tray a fibre comes from, how it is placed, how far a fan is opened. Length stands elsewhere. */
export function FibreFields({
  fibre,
  trays,
  label = "Fibre",
  onChange,
}: {
  fibre: FibreKind;
  trays: readonly Tray[];
  label?: string;
  onChange: (fibre: FibreKind) => void;
}) {
  const kinds = stockedKinds(trays);
  const known = kinds.some((kind) => sameKind(kind, fibre));
  const { count, countTo: _countTo, opening, ...others } = fibre;
  const placed = PLACED.some((p) => placedKey(p) === placedKey(fibre))
    ? PLACED
    : [...PLACED, { count, ...(fibre.countTo ? { countTo: fibre.countTo } : {}) }];
  return (
    <>
      <SelectField
        label={label}
        value={kindLabel(fibre)}
        onChange={(event) => {
          const kind = kinds.find((k) => kindLabel(k) === event.target.value);
          if (!kind) return;
          const { colour: _colour, ...rest } = fibre;
          onChange({
            ...rest,
            curl: kind.curl,
            diameterMm: kind.diameterMm,
            shape: kind.shape,
            ...(kind.colour ? { colour: kind.colour } : {}),
          });
        }}
      >
        {known ? null : <option value={kindLabel(fibre)}>{kindLabel(fibre)}, not in stock</option>}
        {kinds.map((kind) => (
          <option key={kindLabel(kind)} value={kindLabel(kind)}>
            {kindLabel({ ...kind, colour: undefined })}
            {kind.colour ? ` ${FIBRE_COLOURS[kind.colour].label}` : ""}
          </option>
        ))}
      </SelectField>
      <SelectField
        label="Placed as"
        value={placedKey(fibre)}
        onChange={(event) => {
          const next = placed.find((p) => placedKey(p) === event.target.value);
          if (next) onChange({ ...others, ...next, ...(opening && (next.countTo ?? next.count) > 1 ? { opening } : {}) });
        }}
      >
        {placed.map((p) => (
          <option key={placedKey(p)} value={placedKey(p)}>
            {placedWords(p)}
          </option>
        ))}
      </SelectField>
      {mostCount(fibre) > 1 ? (
        <SelectField
          label="Fans"
          value={opening ?? "usual"}
          onChange={(event) => {
            const next = event.target.value as keyof typeof FAN_OPENINGS;
            const { opening: _opening, ...rest } = fibre;
            onChange(next === "usual" ? rest : { ...rest, opening: next });
          }}
        >
          {FAN_OPENING_IDS.map((id) => (
            <option key={id} value={id}>
              {FAN_OPENINGS[id].label}
            </option>
          ))}
        </SelectField>
      ) : null}
    </>
  );
}
