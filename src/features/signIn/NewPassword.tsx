"use client";
import { useState, type ComponentProps } from "react";
import { TextField } from "@/ui";

type Props = Omit<ComponentProps<typeof TextField>, "label" | "type">;

/** A new password and the same once more, which may be shown as they are typed. */
export function NewPassword({ password, again }: { password: Props; again: Props }) {
  const [shown, setShown] = useState(false);
  const type = shown ? "text" : "password";
  return (
    <>
      <TextField label="New password" autoComplete="new-password" hint="Ten characters at least." {...password} type={type} dir="ltr" />
      <TextField label="The same again" autoComplete="new-password" {...again} type={type} dir="ltr" />
      <label className="flex min-h-9 items-center gap-2 text-[0.9375rem]">
        <input type="checkbox" checked={shown} onChange={({ target }) => setShown(target.checked)} className="size-5 accent-(--ivy)" />
        Show what I type
      </label>
    </>
  );
}
