"use client";
import { TECHNIQUE_LABELS, TECHNIQUES, type Technique } from "@/core/lash";
import { Choice } from "@/ui";

const OPTIONS = TECHNIQUES.map((value) => ({ value, label: TECHNIQUE_LABELS[value] }));

/** Which hand is asked about: the one that places singles, or the one that makes fans. */
export function TechniqueChoice({ label, value, onChange }: { label: string; value: Technique; onChange: (technique: Technique) => void }) {
  return <Choice label={label} showLabel={false} value={value} options={OPTIONS} onChange={onChange} />;
}
