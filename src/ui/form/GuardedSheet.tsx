"use client";
import { useState, type ReactNode } from "react";
import { Button } from "../Button";
import { Dialog } from "../Dialog";
import { Notice } from "../Notice";

/** A sheet that, closed with something on it that is not kept, asks first. */
export function GuardedSheet({
  title,
  isDirty,
  onClose,
  wide,
  children,
}: {
  title: string;
  isDirty: boolean;
  onClose: () => void;
  wide?: boolean;
  children: ReactNode;
}) {
  const [leaving, setLeaving] = useState(false);
  const close = () => (isDirty ? setLeaving(true) : onClose());
  return (
    <Dialog open onOpenChange={(open) => !open && close()} title={title} {...(wide ? { wide } : {})}>
      {leaving && isDirty ? (
        <Notice tone="look" title="What you typed is not kept." className="mb-4">
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
      {children}
    </Dialog>
  );
}
