"use client";
import type { Ref } from "react";

/** A button that asks for a file. The same file chosen again is asked for again. */
export function FileButton({
  label = "Choose a file",
  accept,
  onFile,
  ref,
}: {
  label?: string;
  accept: string;
  onFile: (file: File) => void;
  ref?: Ref<HTMLInputElement>;
}) {
  return (
    <label className="inline-flex min-h-9 cursor-pointer items-center rounded-full border border-ivy px-4 font-semibold text-ivy focus-within:outline-2 hover:bg-moss-soft">
      {label}
      <input
        ref={ref}
        type="file"
        accept={accept}
        className="sr-only"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = "";
          if (file) onFile(file);
        }}
      />
    </label>
  );
}

/** Tables as text, whatever parts their columns. */
export const TABLE_FILES = ".csv,.txt,.tsv,text/csv,text/plain";
