"use client";
import Link from "next/link";
import { usePathname } from "next/navigation";
import { useState } from "react";
import { cx } from "@/ui";
import { AirNow } from "./AirNow";
import { Keys } from "./Keys";
import type * as MenuModule from "./Menu";
import { MenuButton } from "./MenuButton";
import { Safety } from "./Safety";

const PLACES = [
  { href: "/", label: "Today" },
  { href: "/clients", label: "Clients" },
  { href: "/colour", label: "Colour" },
  { href: "/air", label: "Air" },
  { href: "/shelf", label: "Shelf" },
  { href: "/retention", label: "Retention" },
  { href: "/studio", label: "Studio" },
] as const;

/** The top edge of every screen. Its middle stays free: that is where clocks hang. */
export function Header({ name, role, studioName }: { name: string; role: string; studioName: string }) {
  const path = usePathname();
  // The menu is rarely opened; until it first is, only its button is here.
  const [menu, setMenu] = useState<typeof MenuModule | null>(null);
  const fetchMenu = () => void import("./Menu").then(setMenu, () => undefined);
  const isHere = (href: string) => (href === "/" ? path === "/" : path.startsWith(href));
  return (
    <header className="ivy-header flex flex-wrap items-center gap-x-4 gap-y-1 px-4 pt-3 pb-2 sm:px-7 lg:gap-x-6">
      <Link href="/" className="font-serif text-[1.375rem] font-semibold tracking-[-0.01em]">
        Ivy Thread
      </Link>
      <nav aria-label="Places" className="-mx-2 flex overflow-x-auto">
        {PLACES.map((place) => (
          <Link
            key={place.href}
            href={place.href}
            aria-current={isHere(place.href) ? "page" : undefined}
            className={cx(
              "min-h-9 border-b-2 px-2 py-1.5 text-[0.9375rem] lg:px-2.5",
              isHere(place.href) ? "border-ivy font-semibold" : "border-transparent text-ink-2 hover:text-ink",
            )}
          >
            {place.label}
          </Link>
        ))}
      </nav>
      <div className="ml-auto flex items-center gap-x-4 gap-y-1 text-[0.9375rem]">
        <Keys />
        <Safety />
        <AirNow />
        {menu ? <menu.Menu name={name} role={role} studioName={studioName} /> : <MenuButton name={name} onClick={fetchMenu} />}
      </div>
    </header>
  );
}
