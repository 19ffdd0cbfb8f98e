"use client";
import { useState } from "react";
import { Button, Notice, TextField } from "@/ui";
import { FormBody, useStudioForm } from "@/ui/form";
import { beginSecondFactor, confirmSecondFactor } from "./actions";
import { RecoveryCodes } from "./RecoveryCodes";

type Secret = {
  readonly uri: string;
  readonly secret: string;
  readonly square: { readonly size: number; readonly dark: readonly boolean[] };
  readonly recoveryCodes: readonly string[];
};

/** Password, then the secret to be scanned with its first code, then the recovery codes. */
export function SecondFactorSetUp({ onDone }: { onDone: () => void }) {
  const [secret, setSecret] = useState<Secret | null>(null);
  const [isOn, setIsOn] = useState(false);
  if (!secret) return <AskPassword onSecret={setSecret} />;
  if (!isOn) return <FirstCode secret={secret} onRight={() => setIsOn(true)} />;
  return (
    <div className="space-y-4">
      <Notice tone="good" title="From now on a code is asked at sign-in. Your other sign-ins have ended." />
      <RecoveryCodes codes={secret.recoveryCodes} />
      <Button onClick={onDone}>I have kept them</Button>
    </div>
  );
}

function AskPassword({ onSecret }: { onSecret: (secret: Secret) => void }) {
  const form = useStudioForm({
    values: { current: "" },
    schema: () => import("./schema").then(({ passwordOnly }) => passwordOnly),
    send: beginSecondFactor,
    onKept: onSecret,
  });
  return (
    <FormBody form={form} submit="Go on" working="Making a secret…">
      <TextField label="Your password" type="password" autoComplete="current-password" {...form.field("current")} />
    </FormBody>
  );
}

function FirstCode({ secret: { uri, secret, square }, onRight }: { secret: Secret; onRight: () => void }) {
  const form = useStudioForm({
    values: { code: "" },
    schema: () => import("./schema").then(({ codeForm }) => codeForm),
    send: confirmSecondFactor,
    onKept: onRight,
  });
  return (
    <FormBody form={form} submit="Ask for a code from now on" working="Looking…">
      <p>Scan this with an app that makes codes, or type the secret into it. Then type the code that it shows.</p>
      <Square {...square} />
      <p className="text-[0.9375rem] break-all">
        <span className="text-ink-2">Secret </span>
        <code data-testid="secret" className="tracking-wide">
          {secret.match(/.{1,4}/g)?.map((group, i) => (
            <span key={i} className="inline-block whitespace-pre">
              {group}{" "}
            </span>
          ))}
        </code>
      </p>
      <p className="text-[0.9375rem]">
        <a href={uri} className="text-ivy underline underline-offset-4">
          Open it in an app on this device
        </a>
      </p>
      <TextField label="Code from your app" inputMode="numeric" autoComplete="one-time-code" {...form.field("code")} />
    </FormBody>
  );
}

/** Quiet ground around the square, in modules, as its standard wants it (ISO/IEC 18004). */
const QUIET = 4;

/** The square that a camera reads: always dark on light, in either theme. */
function Square({ size, dark }: Secret["square"]) {
  const whole = size + 2 * QUIET;
  const path = dark.map((on, i) => (on ? `M${(i % size) + QUIET} ${Math.floor(i / size) + QUIET}h1v1h-1z` : "")).join("");
  return (
    <svg
      viewBox={`0 0 ${whole} ${whole}`}
      role="img"
      aria-label="Square to be scanned"
      shapeRendering="crispEdges"
      className="w-56 rounded-md border border-line"
    >
      <rect width={whole} height={whole} fill="#fff" />
      <path d={path} fill="#000" />
    </svg>
  );
}
