"use client";
import { useState } from "react";
import { Button } from "@/ui";
import { answered, noAnswer } from "@/ui/answered";
import { correctionChoices } from "./actions";
import type * as FormModule from "./CorrectionForm";
import type { CorrectionChoices } from "./data";

type Wanted = { readonly form: typeof FormModule; readonly choices: CorrectionChoices };

/** Puts one thing of a finished visit right, with the reason. Form and choices are fetched when they are wanted: most visits are right. */
export function CorrectionSheet({ visitId }: { visitId: string }) {
  const [wanted, setWanted] = useState<Wanted | null>(null);
  const [asking, setAsking] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const show = async () => {
    if (asking) return;
    setProblem(null);
    setAsking(true);
    try {
      const [form, result] = await Promise.all([import("./CorrectionForm"), answered(correctionChoices({ visitId }))]);
      if (result.ok) setWanted({ form, choices: result.data });
      else setProblem(result.message);
    } catch {
      setProblem(noAnswer());
    } finally {
      setAsking(false);
    }
  };
  return (
    <span>
      {problem ? (
        <span role="alert" className="mr-3 text-sm text-rosehip">
          {problem}
        </span>
      ) : null}
      <Button tone="line" aria-busy={asking} onClick={() => void show()}>
        Correct something
      </Button>
      {wanted ? <wanted.form.CorrectionForm choices={wanted.choices} onClose={() => setWanted(null)} /> : null}
    </span>
  );
}
