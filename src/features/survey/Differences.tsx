import type { SurveyDifference } from "@/core/eye";

/** What differs between two eyes or two surveys, as a short table. */
export function Differences({
  title,
  heads,
  differences,
  none,
}: {
  title: string;
  heads: readonly [string, string];
  differences: readonly SurveyDifference[];
  none: string;
}) {
  return (
    <section aria-label={title} className="mt-3 border-t border-line pt-3">
      {differences.length === 0 ? (
        <p className="text-[0.9375rem] text-ink-2">{none}</p>
      ) : (
        <table className="w-full text-[0.9375rem]">
          <thead>
            <tr className="text-left">
              <th className="font-serif text-lg font-medium">{title}</th>
              {heads.map((head) => (
                <th key={head} className="w-24 text-sm font-normal text-ink-2">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {differences.map(({ what, before, after }) => (
              <tr key={what} className="border-t border-line">
                <th className="py-1 text-left font-normal text-ink-2 first-letter:uppercase">{what}</th>
                <td>{before}</td>
                <td className="font-semibold">{after}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
