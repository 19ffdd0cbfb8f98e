"use client";
import Link from "next/link";
import type { ReactNode } from "react";
import { useCommands, useCommandState, useTabletState, useTabletStore } from "@/features/tablet/TabletProvider";
import { Button, Dialog } from "@/ui";

/** "beadPlaced" as words. */
const tapWords = (type: string) => `A tap, ${type.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`)}`;

/** What waits on this tablet for the server, and what the server would not have: what it was, why, and where it is mended. */
export function SafetySheet({ onClose }: { onClose: () => void }) {
  const store = useTabletStore();
  const commands = useCommands();
  const { waiting, refused } = useCommandState();
  const taps = useTabletState((state) => state.refused);
  const page = (path: string) => (
    <Link href={path} onClick={onClose} className="text-ivy underline underline-offset-4">
      Its page
    </Link>
  );
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="On this tablet">
      <List title="Waits for the server">
        {waiting.map(({ id, words, path }) => (
          <Item key={id} words={words}>
            {page(path)}
          </Item>
        ))}
      </List>
      <List title="Not accepted">
        {refused.map(({ id, words, path, refused: why }) => (
          <Item key={id} words={words} why={why}>
            {page(path)}
            <Button tone="plain" onClick={() => void commands.forget(id)}>
              Seen
            </Button>
          </Item>
        ))}
        {taps.map(({ id, type, why }) => (
          <Item key={id} words={tapWords(type)} why={why}>
            <Button tone="plain" onClick={() => void store.forget(id)}>
              Seen
            </Button>
          </Item>
        ))}
      </List>
      {waiting.length + refused.length + taps.length === 0 ? <p>Everything is on the server.</p> : null}
    </Dialog>
  );
}

function List({ title, children }: { title: string; children: readonly ReactNode[] | readonly (readonly ReactNode[])[] }) {
  if (children.flat().length === 0) return null;
  return (
    <section className="mt-4 first:mt-0">
      <h3 className="font-sans text-sm font-normal text-ink-2">{title}</h3>
      <ul className="divide-y divide-line">{children}</ul>
    </section>
  );
}

function Item({ words, why, children }: { words: string; why?: string; children: ReactNode }) {
  return (
    <li className="flex flex-wrap items-center justify-between gap-x-4 py-2">
      <span className="min-w-0 grow basis-64">
        {words}
        {why ? <span className="block text-[0.9375rem] text-rosehip">{why}</span> : null}
      </span>
      <span className="flex items-center gap-3">{children}</span>
    </li>
  );
}
