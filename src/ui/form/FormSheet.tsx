"use client";
import type { ReactNode } from "react";
import { FormBody, type FormLook } from "./FormBody";
import { GuardedSheet } from "./GuardedSheet";
import type { StudioForm } from "./useStudioForm";

/** A form on a sheet. */
export function FormSheet({
  title,
  form,
  onClose,
  wide,
  children,
  ...look
}: FormLook & { title: string; form: StudioForm; onClose: () => void; wide?: boolean; children: ReactNode }) {
  return (
    <GuardedSheet title={title} isDirty={form.isDirty} onClose={onClose} {...(wide ? { wide } : {})}>
      <FormBody form={form} {...look}>
        {children}
      </FormBody>
    </GuardedSheet>
  );
}
