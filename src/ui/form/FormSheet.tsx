"use client";
import { useState, type ReactNode } from "react";
import { Button } from "../Button";
import { Dialog } from "../Dialog";
import { Notice } from "../Notice";
import { FormBody, type FormLook } from "./FormBody";
import type { StudioForm } from "./useStudioForm";

/** A form on a sheet. Closed with something typed that is not kept, it asks first. */
export function FormSheet({
  title,
  form,
  onClose,
  wide,
  children,
  ...look
}: FormLook & { title: string; form: StudioForm; onClose: () => void; wide?: boolean; children: ReactNode }) {
  const [leaving, setLeaving] = useState(false);
  const close = () => (form.isDirty ? setLeaving(true) : onClose());
  return (
    <Dialog open onOpenChange={(open) => !open && close()} title={title} {...(wide ? { wide } : {})}>
      <FormBody form={form} {...look}>
        {children}
      </FormBody>
      {leaving ? (
        <Notice tone="look" title="What you typed is not kept." className="mt-4">
          <div className="mt-2 flex flex-wrap gap-3">
            <Button tone="line" autoFocus onClick={() => setLeaving(false)}>
              Go on with it
            </Button>
            <Button tone="plain" onClick={onClose}>
              Leave it
            </Button>
          </div>
        </Notice>
      ) : null}
    </Dialog>
  );
}
