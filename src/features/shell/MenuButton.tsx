import type { ComponentProps } from "react";

/** The button by one's own name. */
export function MenuButton({ name, ...rest }: { name: string } & Omit<ComponentProps<"button">, "name">) {
  return (
    <button
      type="button"
      aria-haspopup="menu"
      aria-label={`${name}, menu`}
      className="min-h-9 rounded px-2 py-1 font-semibold hover:bg-moss-soft"
      {...rest}
    >
      {name.split(" ")[0]} <span aria-hidden="true">▾</span>
    </button>
  );
}
