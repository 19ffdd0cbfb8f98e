"use client";
import Link from "next/link";
import type { ImportPreview } from "./readClientFile";

/** What would be kept: the first clients and the last, likely doubles each with a choice, rows that are wrong, and what was put elsewhere. */
export function ImportRows({
  preview,
  add,
  onAdd,
}: {
  preview: ImportPreview;
  /** Rows of likely doubles that are added all the same. */
  add: ReadonlySet<number>;
  onAdd: (add: ReadonlySet<number>) => void;
}) {
  const { rows, doubles, doublesInAll, problems, wrong, minded } = preview;
  const toggle = (row: number) => {
    const next = new Set(add);
    if (!next.delete(row)) next.add(row);
    onAdd(next);
  };
  return (
    <>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="As they will be kept">
        <table className="w-full min-w-208 text-left text-[0.9375rem]">
          <caption className="pb-1 text-left text-sm text-ink-2">As they will be kept, the first ones and the last</caption>
          <thead>
            <tr className="border-b border-line-strong text-sm text-ink-2">
              {["Row", "Name", "Telephone", "E-mail", "Born", "Other ways and note"].map((head) => (
                <th key={head} className="py-1 pr-4 font-normal">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((one) => (
              <tr key={one.row} className="border-b border-line align-top">
                <th scope="row" className="py-1 pr-4 font-normal text-ink-2">
                  {one.row}
                </th>
                <td className="py-1 pr-4 font-semibold">
                  <bdi>{one.name}</bdi>
                </td>
                <td className="py-1 pr-4 whitespace-nowrap">{one.phone}</td>
                <td className="py-1 pr-4 break-all">{one.email}</td>
                <td className="py-1 pr-4 whitespace-nowrap">{one.bornOn}</td>
                <td className="max-w-72 truncate py-1 text-ink-2" dir="auto" title={[one.contact, one.notes].filter(Boolean).join("; ")}>
                  {[one.contact, one.notes].filter(Boolean).join("; ")}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {doubles.length > 0 ? (
        <fieldset>
          <legend className="font-semibold">
            Likely here already{doublesInAll > doubles.length ? `, the first ${doubles.length} of ${doublesInAll}` : ""}
          </legend>
          <p className="mb-1 text-sm text-ink-2">Left out, unless you add one all the same. Two entries can be merged later.</p>
          <ul className="border-t border-line">
            {doubles.map((double) => (
              <li key={double.row} className="border-b border-line">
                <label className="flex items-baseline gap-x-3 py-1.5">
                  <input
                    type="checkbox"
                    checked={add.has(double.row)}
                    onChange={() => toggle(double.row)}
                    className="size-4 shrink-0 translate-y-0.5 accent-ivy"
                  />
                  <span className="min-w-0">
                    Row {double.row}, <bdi className="font-semibold">{double.name}</bdi>: {double.why} as{" "}
                    {"id" in double.of ? (
                      <Link
                        href={`/clients/${double.of.id}`}
                        target="_blank"
                        className="font-semibold text-ivy underline underline-offset-4"
                      >
                        <bdi>{double.of.name}</bdi>
                      </Link>
                    ) : (
                      <>
                        row {double.of.row}, <bdi>{double.of.name}</bdi>
                      </>
                    )}
                  </span>
                </label>
              </li>
            ))}
          </ul>
        </fieldset>
      ) : null}
      <Rows title="Rows that are wrong, and left out" lines={problems} inAll={wrong} />
      <Rows title="Put elsewhere, because it could not stand in its own field" lines={minded} inAll={minded.length} />
    </>
  );
}

function Rows({ title, lines, inAll }: { title: string; lines: readonly { readonly row: number; readonly why: string }[]; inAll: number }) {
  if (lines.length === 0) return null;
  return (
    <details open={lines.length < 6}>
      <summary className="cursor-pointer font-semibold">
        {title}
        {inAll > lines.length ? `: the first ${lines.length} of ${inAll}` : ""}
      </summary>
      <ul className="mt-1 text-[0.9375rem] text-ink-2">
        {lines.map(({ row, why }, i) => (
          <li key={i}>
            Row {row}: {why}
          </li>
        ))}
      </ul>
    </details>
  );
}
