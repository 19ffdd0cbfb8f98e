import { SLEEPS_ON } from "@/core/eye";
import { MET, MET_IDS, NOT_MET, offIn, type FillWork, type SinceLast } from "@/core/fill";
import { formatPercent, sentence } from "@/core/units";

/** What a finished fill's record says of the set it found: counted, taken off, told. Rows of a description list. */
export function FoundKept({ fill }: { fill: FillWork }) {
  const { counted, off, since } = fill;
  const rows: [string, string][] = [];
  if (counted.length > 0) {
    const left = counted.reduce((sum, zone) => sum + zone.left, 0);
    const marked = (["twisted", "outgrown"] as const).flatMap((mark) => {
      const some = counted.flatMap((zone) => zone[mark] ?? []);
      return some.length > 0 ? [`${some.reduce((sum, n) => sum + n, 0)} ${mark}`] : [];
    });
    const stayed = counted.reduce((sum, zone) => sum + Math.max(0, zone.left - offIn(fill, zone)), 0);
    rows.push(["Found", [`${left} left in ${counted.length} zones counted`, ...marked, `${stayed} kept`].join(", ")]);
  }
  if (off.length > 0) {
    const all = off.reduce((sum, { n }) => sum + n, 0);
    const hurt = off.reduce((sum, one) => sum + (one.hurt ? one.n : 0), 0);
    rows.push(["Taken off", hurt === 0 ? `${all}, all parted clean` : `${all}; ${hurt} hurt the lash (${formatPercent(hurt / all)})`]);
  }
  const told = toldWords(since);
  if (told) rows.push(["Since the last visit", told]);
  return rows.map(([term, words]) => (
    <div key={term} className="contents">
      <dt className="text-ink-2">{term}</dt>
      <dd>{words}</dd>
    </div>
  ));
}

/** What was answered, in words; empty where nothing was. */
function toldWords(since: SinceLast): string {
  const { washesAWeek, sleepsOn } = since;
  const words = [
    ...(washesAWeek === null
      ? []
      : [washesAWeek === 0 ? "not washed" : `washed ${washesAWeek >= 7 ? "daily" : `${washesAWeek} times a week`}`]),
    ...MET_IDS.flatMap((of) => (since[of] === null ? [] : [since[of] ? MET[of] : NOT_MET[of]])),
    ...(sleepsOn === null ? [] : [`slept on: ${SLEEPS_ON[sleepsOn]}`]),
  ];
  return words.length > 0 ? sentence(words.join(", ")) : "";
}
