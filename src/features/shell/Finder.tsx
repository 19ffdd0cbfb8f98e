"use client";
import { Command } from "cmdk";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { Dialog } from "@/ui";
import { findAnything } from "./actions";
import { DOINGS, PLACES, placesFor } from "./places";
import { turnTheme } from "./theme";

type Found = Extract<Awaited<ReturnType<typeof findAnything>>, { ok: true }>["data"];
type Line = { readonly value: string; readonly label: string; readonly hint: string; readonly run: () => void };

const NOTHING: Found = { clients: [], bottles: [], protocols: [] };
const WAIT_MS = 120;
const ROW = "flex min-h-10 cursor-pointer items-center gap-3 rounded px-3 data-[selected=true]:bg-moss-soft";

/** Finds clients, bottles, protocols, places and things to do, from the keyboard. */
export function Finder({ onClose, onKeys }: { onClose: () => void; onKeys: () => void }) {
  const router = useRouter();
  const [text, setText] = useState("");
  const [found, setFound] = useState<Found>(NOTHING);
  /** For what was found last; until it is what stands in the field, more may come. */
  const [answered, setAnswered] = useState("");
  const [picked, setPicked] = useState("");
  useEffect(() => {
    let isCurrent = true;
    const find = async () => {
      const result = await findAnything({ search: text }).catch(() => null);
      if (!isCurrent || !result?.ok) return;
      setFound(result.data);
      setAnswered(text);
      // Enter takes the best answer: without this it would stay on one of the last list, gone by now.
      setPicked("");
    };
    const wait = setTimeout(() => void find(), WAIT_MS);
    return () => {
      isCurrent = false;
      clearTimeout(wait);
    };
  }, [text]);
  const go = (href: string) => () => {
    onClose();
    router.push(href);
  };
  const lines = (list: readonly { label: string; hint?: string; href: string }[]): Line[] =>
    list.map(({ label, hint = "", href }) => ({ value: href, label, hint, run: go(href) }));
  // Until the answer is there, of the last one only what the new letters fit too: Enter opens nobody else.
  const still = <T extends { readonly label: string }>(list: readonly T[]) => (answered === text ? list : placesFor(text, list));
  const here = [
    { label: "Paper or lamp", words: "theme dark light", run: turnTheme },
    { label: "Show the keys", words: "help shortcuts", run: onKeys },
  ];
  const groups: readonly { readonly heading: string; readonly lines: readonly Line[] }[] = [
    { heading: "Clients", lines: lines(still(found.clients)) },
    { heading: "Bottles and packs", lines: lines(still(found.bottles)) },
    { heading: "Protocols", lines: lines(still(found.protocols)) },
    {
      heading: "To do",
      lines: [
        ...lines(placesFor(text, DOINGS)),
        ...placesFor(text, here).map(({ label, run }) => ({
          value: label,
          label,
          hint: "",
          run: () => {
            onClose();
            run();
          },
        })),
      ],
    },
    { heading: "Places", lines: lines(placesFor(text, PLACES)) },
  ].filter((group) => group.lines.length > 0);
  const first = groups[0]?.lines[0]?.value ?? "";
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Find">
      <Command
        shouldFilter={false}
        value={picked || first}
        onValueChange={setPicked}
        label="Find a client, a bottle, a protocol, a place or something to do"
      >
        <Command.Input
          value={text}
          maxLength={120}
          onValueChange={setText}
          placeholder="A client, a bottle, a protocol, a place"
          className="min-h-11 w-full rounded-md border border-line-strong bg-leaf px-3"
        />
        <Command.List className="mt-3 max-h-[60vh] overflow-y-auto">
          {groups.length === 0 ? (
            <p role="status" className="px-3 py-4 text-ink-2">
              {answered === text ? "Nobody and nothing by that name." : "Looking"}
            </p>
          ) : null}
          {groups.map((group) => (
            <Command.Group
              key={group.heading}
              heading={group.heading}
              className="[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-sm [&_[cmdk-group-heading]]:text-ink-2"
            >
              {group.lines.map(({ value, label, hint, run }) => (
                <Command.Item key={value} value={value} onSelect={run} className={ROW}>
                  <bdi className="min-w-0 break-words">{label}</bdi>
                  {hint ? (
                    <span className="min-w-0 flex-1 truncate text-right text-sm text-ink-2" dir="auto">
                      {hint}
                    </span>
                  ) : null}
                </Command.Item>
              ))}
            </Command.Group>
          ))}
        </Command.List>
      </Command>
    </Dialog>
  );
}
