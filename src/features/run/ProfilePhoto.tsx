"use client";
import { useEffect, useState } from "react";
import { measuredTurnDeg, type PicturePoint } from "@/core/lift";
import { Button, Dialog, Verdict } from "@/ui";

const PLACES = ["at the root", "a little along", "a little before the tip", "at the tip"];

/** A picture from the side, four taps along one lash: its turn. The picture is not sent anywhere. */
export function ProfilePhoto({ onMeasured, onClose }: { onMeasured: (turnDeg: number) => void; onClose: () => void }) {
  const [url, setUrl] = useState<string | null>(null);
  const [size, setSize] = useState({ width: 4, height: 3 });
  const [problem, setProblem] = useState("");
  const [points, setPoints] = useState<readonly PicturePoint[]>([]);
  useEffect(() => () => void (url && URL.revokeObjectURL(url)), [url]);
  const take = (file: File | undefined) => {
    if (!file) return;
    const next = URL.createObjectURL(file);
    const image = new Image();
    image.onload = () => {
      setSize({ width: image.naturalWidth, height: image.naturalHeight });
      setPoints([]);
      setProblem("");
      setUrl(next);
    };
    image.onerror = () => {
      URL.revokeObjectURL(next);
      setProblem("This is not a picture that the browser can show.");
    };
    image.src = next;
  };
  const turn = points.length === 4 ? measuredTurnDeg(points[0]!, points[1]!, points[2]!, points[3]!) : null;
  const dot = Math.max(size.width, size.height) / 110;
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Turn in a picture" wide>
      <p className="text-[0.9375rem] text-ink-2">
        Taken straight from the side, eye closed. The picture stays on this device; only the angle is kept.
      </p>
      <input
        type="file"
        accept="image/*"
        aria-label="Picture from the side"
        className="mt-3 block"
        onChange={(event) => take(event.target.files?.[0])}
      />
      {problem ? (
        <p className="mt-2">
          <Verdict tone="stop">{problem}</Verdict>
        </p>
      ) : null}
      {url ? (
        <>
          <p className="mt-3 text-lg">
            {points.length < 4 ? `Tap one lash in the middle ${PLACES[points.length]}.` : "Four places are marked."}
          </p>
          <svg
            viewBox={`0 0 ${size.width} ${size.height}`}
            role="img"
            aria-label="The picture, to tap on"
            data-testid="profile-picture"
            className="mt-2 max-h-[52vh] w-full cursor-crosshair rounded-md border border-line-strong"
            onClick={(event) => {
              if (points.length >= 4) return;
              const place = new DOMPoint(event.clientX, event.clientY).matrixTransform(event.currentTarget.getScreenCTM()!.inverse());
              setPoints([...points, { x: place.x, y: place.y }]);
            }}
          >
            <image href={url} width={size.width} height={size.height} />
            {points.length > 1 ? (
              <polyline points={points.map(({ x, y }) => `${x},${y}`).join(" ")} fill="none" stroke="var(--brass)" strokeWidth={dot / 3} />
            ) : null}
            {points.map(({ x, y }, i) => (
              <circle key={i} cx={x} cy={y} r={dot} fill="none" stroke="var(--rosehip)" strokeWidth={dot / 3} />
            ))}
          </svg>
          <div className="mt-3 flex flex-wrap items-center gap-4">
            <Button disabled={turn === null || turn < -30} onClick={() => turn !== null && onMeasured(Math.round(turn))}>
              {turn === null ? "Take the turn" : `Take ${Math.round(turn)}°`}
            </Button>
            <Button tone="plain" disabled={points.length === 0} onClick={() => setPoints(points.slice(0, -1))}>
              Take back a place
            </Button>
            {points.length === 4 && turn === null ? <Verdict tone="stop">Two places fall together; tap them apart.</Verdict> : null}
          </div>
        </>
      ) : null}
    </Dialog>
  );
}
