"use client";
import { useState } from "react";
import { Button } from "@/ui";
import { noAnswer } from "@/ui/answered";
import type * as FormModule from "./CorrectionForm";
import type { CorrectionChoices } from "./data";

/** Puts one thing of a finished visit right, with the reason. The form is fetched when it is first wanted: most visits are right. */
export function CorrectionSheet({ choices }: { choices: CorrectionChoices }) {
  const [form, setForm] = useState<typeof FormModule | null>(null);
  const [open, setOpen] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const show = () => {
    setProblem(null);
    setOpen(true);
    void import("./CorrectionForm").then(setForm, () => setProblem(noAnswer()));
  };
  return (
    <span>
      {problem ? <span className="mr-3 text-sm text-rosehip">{problem}</span> : null}
      <Button tone="line" onClick={show}>
        Correct something
      </Button>
      {open && form ? <form.CorrectionForm choices={choices} onClose={() => setOpen(false)} /> : null}
    </span>
  );
}
