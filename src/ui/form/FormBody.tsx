"use client";
import type { ComponentProps, ReactNode } from "react";
import { Button, type ButtonSize } from "../Button";
import { cx } from "../cx";
import { Notice } from "../Notice";
import type { StudioForm } from "./useStudioForm";

export type FormLook = {
  /** What the button says, and what it says while it works. */
  readonly submit: string;
  readonly working?: string;
  readonly tone?: ComponentProps<typeof Button>["tone"];
  readonly size?: ButtonSize;
  /** Something still stands against it. */
  readonly disabled?: boolean;
  /** Other buttons, after the one that keeps. */
  readonly more?: ReactNode;
  readonly className?: string;
};

/** The fields of a form, what is wrong with it as a whole, and its buttons. */
export function FormBody({
  form,
  submit,
  working = "Keeping…",
  tone,
  size,
  disabled = false,
  more,
  className,
  children,
  ...rest
}: FormLook & { form: StudioForm; children: ReactNode } & Pick<ComponentProps<"form">, "aria-label">) {
  return (
    <form {...rest} onSubmit={(event) => void form.keep(event)} noValidate aria-busy={form.busy} className={cx("space-y-4", className)}>
      {children}
      {form.problem ? <Notice tone="stop" title={form.problem} /> : null}
      <div className="flex flex-wrap gap-3">
        <Button type="submit" tone={tone} size={size} disabled={form.busy || disabled}>
          {form.busy ? working : submit}
        </Button>
        {more}
      </div>
    </form>
  );
}
