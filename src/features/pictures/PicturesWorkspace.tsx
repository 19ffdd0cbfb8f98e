"use client";
import { useRouter } from "next/navigation";
import { useMemo, useRef, useState } from "react";
import { OWN_CURLS, sideLabel, SIDES, type OwnCurl, type Side } from "@/core/eye";
import { fillSurvey, measureClosed, measureOpen, noMarks, type Measured, type PictureMarks } from "@/core/measure";
import { formOf } from "@/features/survey/surveyForm";
import { readKeptForm } from "@/features/survey/keptForm";
import { optionsOf } from "@/features/survey/optionsOf";
import { useDraft } from "@/features/tablet/useDraft";
import { Button, Choice, cx, LinkButton, Notice, Verdict } from "@/ui";
import { removePicture, saveMarks } from "./actions";
import type { KeptPicture, PicturesPage } from "./data";
import { MarkingBoard } from "./MarkingBoard";
import { answered, noAnswer } from "@/ui/answered";

const KIND_WORDS = { open: "open", closed: "closed" } as const;
const SAVE_AFTER_MS = 600;

/** Measuring from pictures: an open eye for landmarks, a closed one for lash line and lengths, each with a scale in it. */
export function PicturesWorkspace({ page }: { page: PicturesPage }) {
  const router = useRouter();
  const [chosenId, setChosenId] = useState(page.pictures[0]?.id ?? null);
  const [marks, setMarks] = useState<Readonly<Record<string, PictureMarks>>>(() =>
    Object.fromEntries(page.pictures.map(({ id, marks }) => [id, marks ?? noMarks])),
  );
  const [ownCurl, setOwnCurl] = useState<OwnCurl>(
    page.survey.eyes.right.points[Math.floor(page.survey.eyes.right.points.length / 2)]!.ownCurl,
  );
  const [problem, setProblem] = useState<string | null>(null);
  const { keepNow } = useDraft(`survey ${page.clientId}`, readKeptForm);
  const timers = useRef(new Map<string, ReturnType<typeof setTimeout>>());
  const chosen = page.pictures.find(({ id }) => id === chosenId) ?? page.pictures[0];
  const curlDeg = OWN_CURLS[ownCurl].turnDeg;

  const mark = (id: string, next: PictureMarks) => {
    setMarks((all) => ({ ...all, [id]: next }));
    clearTimeout(timers.current.get(id));
    timers.current.set(
      id,
      setTimeout(() => {
        void saveMarks({ id, marks: next }).then(
          (result) => setProblem(result.ok ? null : [result.message, ...Object.values(result.fields)].join(" ")),
          () => setProblem(noAnswer("The marks are still on this screen; go on, they are sent again with the next one.")),
        );
      }, SAVE_AFTER_MS),
    );
  };
  const measured = useMemo(() => measuresOf(page.pictures, marks, curlDeg), [page.pictures, marks, curlDeg]);
  const anything = SIDES.some((side) => measured[side].open ?? measured[side].closed);
  const fill = async () => {
    await keepNow(formOf(fillSurvey(page.survey, measured)));
    router.push(`/clients/${page.clientId}/survey?from=pictures`);
  };
  return (
    <div className="pt-5">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-2">
        <h1 className="text-3xl break-words">
          <bdi>{page.clientName}</bdi> <span className="text-ink-2">measured from pictures</span>
        </h1>
        <div className="flex gap-3">
          <Button disabled={!anything} onClick={() => void fill()}>
            Fill the survey with it
          </Button>
          <LinkButton tone="plain" href={`/clients/${page.clientId}/survey`}>
            Back to the survey
          </LinkButton>
        </div>
      </div>
      <p className="mt-1 text-[0.9375rem] text-ink-2">
        From straight in front, with a length you know in the picture. Pictures are stripped of time and place, kept in the studio&rsquo;s
        own database, and seen by nobody outside it.
      </p>
      {problem ? <Notice tone="stop" title={problem} className="mt-3" /> : null}
      <div className="mt-4 grid gap-x-8 gap-y-6 lg:grid-cols-[minmax(0,1fr)_19rem]">
        <div className="min-w-0">
          {chosen ? (
            <MarkingBoard key={chosen.id} picture={chosen} marks={marks[chosen.id] ?? noMarks} onMarks={(next) => mark(chosen.id, next)} />
          ) : (
            <div className="rounded-lg border border-dashed border-line-strong px-6 py-16 text-center">
              <h2 className="text-2xl">No picture yet</h2>
              <p className="mt-1 text-ink-2">
                Take one in on the right: the eye open for the landmarks, closed on its pad for lash line and lengths.
              </p>
            </div>
          )}
        </div>
        <aside className="space-y-6">
          <AddPicture clientId={page.clientId} onProblem={setProblem} onTaken={(id) => (router.refresh(), setChosenId(id))} />
          {page.pictures.length ? (
            <section aria-label="Pictures">
              <h2 className="text-xl">Pictures</h2>
              <ul className="mt-2 grid grid-cols-3 gap-2">
                {page.pictures.map((kept) => (
                  <li key={kept.id}>
                    <button
                      type="button"
                      aria-pressed={kept.id === chosen?.id}
                      onClick={() => setChosenId(kept.id)}
                      className={cx(
                        "block w-full rounded-md border p-1 text-left text-xs",
                        kept.id === chosen?.id ? "border-ivy" : "border-line",
                      )}
                    >
                      {/* eslint-disable-next-line @next/next/no-img-element -- private bytes, never through an optimiser's cache */}
                      <img src={`/api/pictures/${kept.id}`} alt="" className="aspect-[4/3] w-full rounded-sm object-cover" />
                      {kept.side}, {KIND_WORDS[kept.kind]}
                      <span className="block text-ink-2">{kept.takenOn}</span>
                    </button>
                  </li>
                ))}
              </ul>
            </section>
          ) : null}
          {chosen ? (
            <Results
              picture={chosen}
              marks={marks[chosen.id] ?? noMarks}
              ownCurl={ownCurl}
              onOwnCurl={setOwnCurl}
              onRemove={
                page.mayRemove
                  ? async () => {
                      const result = await answered(removePicture({ id: chosen.id }));
                      if (!result.ok) setProblem(result.message);
                      else setChosenId(null);
                    }
                  : null
              }
            />
          ) : null}
        </aside>
      </div>
    </div>
  );
}

/** What the newest measuring picture of each eye says, open and closed. */
function measuresOf(pictures: readonly KeptPicture[], marks: Readonly<Record<string, PictureMarks>>, curlDeg: number): Measured {
  const of = (side: Side): Measured[Side] => {
    const marked = (kind: KeptPicture["kind"]) =>
      pictures.filter((kept) => kept.side === side && kept.kind === kind).map(({ id }) => marks[id] ?? noMarks);
    const open = marked("open")
      .map(measureOpen)
      .find((one) => !("problem" in one));
    const closed = marked("closed")
      .map((m) => measureClosed(m, curlDeg))
      .find((one) => !("problem" in one) && (one.lashLineMm !== null || one.places.length > 0));
    return { ...(open && !("problem" in open) ? { open } : {}), ...(closed && !("problem" in closed) ? { closed } : {}) };
  };
  return { right: of("right"), left: of("left") };
}

function AddPicture({
  clientId,
  onProblem,
  onTaken,
}: {
  clientId: string;
  onProblem: (words: string | null) => void;
  onTaken: (id: string) => void;
}) {
  const [side, setSide] = useState<Side>("right");
  const [kind, setKind] = useState<KeptPicture["kind"]>("closed");
  const [busy, setBusy] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const take = async (file: File | undefined) => {
    if (!file) return;
    setBusy(true);
    const send = async (): Promise<{ ok: boolean; id?: string; message: string }> => {
      const response = await fetch(`/api/clients/${clientId}/pictures?kind=${kind}&side=${side}`, { method: "POST", body: file });
      const body = (await response.json()) as { id?: string; message?: string };
      return { ok: response.ok, message: body.message ?? "", ...(body.id ? { id: body.id } : {}) };
    };
    const result = await answered(send(), "The picture is still on this device; try again.");
    setBusy(false);
    if (input.current) input.current.value = "";
    if (result.ok && "id" in result && result.id) {
      onProblem(null);
      return onTaken(result.id);
    }
    onProblem(result.message);
  };
  return (
    <section aria-label="Take a picture in">
      <h2 className="text-xl">Take one in</h2>
      <Choice label="Eye" value={side} options={SIDES.map((s) => ({ value: s, label: sideLabel(s) }))} onChange={setSide} />
      <Choice
        label="It is"
        value={kind}
        options={[
          { value: "closed", label: "closed, on its pad" },
          { value: "open", label: "open" },
        ]}
        onChange={setKind}
      />
      <Button tone="line" className="mt-2" disabled={busy} onClick={() => input.current?.click()}>
        {busy ? "Taking it in…" : "Choose a picture"}
      </Button>
      <input
        ref={input}
        type="file"
        accept="image/jpeg,image/png,image/webp"
        aria-label="A picture to measure from"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => void take(event.target.files?.[0])}
      />
    </section>
  );
}

const pm = (value: number, off: number) => `${value.toFixed(1)} ± ${off.toFixed(1)} mm`;

function Results({
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
                line("Lash line", result.lashLineMm === null ? "draw it" : pm(result.lashLineMm, result.lashLineOffMm!)),
                ...result.places.map((place) =>
                  line(
                    `At ${(place.at * 100).toFixed(0)} %, ${place.lashes} ${place.lashes === 1 ? "lash" : "lashes"}`,
                    pm(place.lengthMm, place.spreadMm),
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
