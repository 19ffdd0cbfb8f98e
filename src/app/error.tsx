"use client";
import { Button } from "@/ui";

export default function Failed({ reset, error }: { reset: () => void; error: Error & { digest?: string } }) {
  return (
    <main className="mx-auto max-w-xl px-6 py-24">
      <h1 className="text-4xl">This page could not be drawn</h1>
      <p className="mt-4 text-ink-2">
        {error.digest ? `The server or its database did not answer (${error.digest}).` : "Something on the page itself went wrong."} Clocks
        and taps on this device go on and are kept.
      </p>
      <Button className="mt-8" onClick={reset}>
        Try again
      </Button>
    </main>
  );
}
