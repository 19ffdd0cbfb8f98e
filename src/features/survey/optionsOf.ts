/** The choices of a class of the trade, value and label, in its own order. */
export const optionsOf = <K extends string>(classes: Readonly<Record<K, { label: string } | string>>) =>
  (Object.entries(classes) as [K, { label: string } | string][]).map(([value, of]) => ({
    value,
    label: typeof of === "string" ? of : of.label,
  }));
