"use client";
import "@/ui/theme.css";

/** The last resort, where even the layout failed: it stands alone, so that nothing that broke is needed to say so. */
export default function EverythingFailed({ reset, error }: { reset: () => void; error: Error & { digest?: string } }) {
  return (
    <html lang="en" data-theme="paper">
      <body className="min-h-dvh">
        <main className="mx-auto max-w-xl px-6 py-24">
          <h1 className="text-4xl">Ivy Thread could not be drawn</h1>
          <p className="mt-4 text-ink-2">
            {error.digest ? `The server did not answer (${error.digest}).` : "Something in this browser went wrong."} Taps on this device
            are kept and sent when the page is there again.
          </p>
          <button
            type="button"
            className="mt-8 min-h-11 rounded-md bg-ivy px-5 font-semibold text-paper"
            onClick={() => {
              reset();
              location.reload();
            }}
          >
            Load again
          </button>
        </main>
      </body>
    </html>
  );
}
