import { SPLAYS_DEG } from "@/core/eye";

/** Ways lashes leave by, as they are asked: degrees off straight ahead, or not looked at. One that is not among them stays. */
export const splayOptions = (splay: string) => {
  const degrees = splay === "" || SPLAYS_DEG.some((deg) => String(deg) === splay) ? SPLAYS_DEG : [...SPLAYS_DEG, Number(splay)];
  return [{ value: "", label: "not asked" }, ...degrees.map((deg) => ({ value: String(deg), label: splayLabel(deg) }))];
};

export const splayLabel = (deg: number) => (deg === 0 ? "straight" : `${Math.abs(deg)}° ${deg < 0 ? "in" : "out"}`);

/** The choices of a class of the trade, value and label, in its own order. */
export const optionsOf = <K extends string>(classes: Readonly<Record<K, { label: string } | string>>) =>
  (Object.entries(classes) as [K, { label: string } | string][]).map(([value, of]) => ({
    value,
    label: typeof of === "string" ? of : of.label,
  }));
