"use client";
import { Command } from "cmdk";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { findClients } from "@/features/clients/actions";
import { Dialog } from "@/ui";

const PLACES = [
  ["Today", "/"],
  ["New client", "/clients/new"],
  ["Colour and lift: lanes, protocols, products", "/colour"],
  ["Air", "/air"],
  ["Shelf: bottles and trays", "/shelf"],
  ["Studio policy and people", "/studio"],
] as const;
const placesFor = (text: string) => PLACES.filter(([label]) => label.toLowerCase().includes(text.toLowerCase()));
const ROW = "flex min-h-10 cursor-pointer items-center rounded px-3 data-[selected=true]:bg-moss-soft";

/** Finds clients by name and places by word, from the keyboard. */
export function Finder({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const [text, setText] = useState("");
  const [clients, setClients] = useState<readonly { id: string; name: string }[]>([]);
  const [picked, setPicked] = useState("");
  useEffect(() => {
    let isCurrent = true;
    const find = async () => {
      const result = await findClients({ search: text }).catch(() => null);
      if (!isCurrent || !result?.ok) return;
      setClients(result.data);
      // Enter takes the best answer: without this it would stay on one of the last list, gone by now.
      setPicked(result.data[0]?.id ?? placesFor(text)[0]?.[1] ?? "");
    };
    const wait = setTimeout(() => void find(), 120);
    return () => {
      isCurrent = false;
      clearTimeout(wait);
    };
  }, [text]);
  const go = (href: string) => {
    onClose();
    router.push(href);
  };
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Find">
      <Command shouldFilter={false} value={picked} onValueChange={setPicked} label="Find a client or a place">
        <Command.Input
          value={text}
          onValueChange={setText}
          placeholder="A client's name, or a place"
          className="min-h-11 w-full rounded-md border border-line-strong bg-leaf px-3"
        />
        <Command.List className="mt-3 max-h-80 overflow-y-auto">
          <Command.Empty className="px-3 py-4 text-ink-2">Nobody and nothing by that name.</Command.Empty>
          {clients.map((client) => (
            <Command.Item key={client.id} value={client.id} onSelect={() => go(`/clients/${client.id}`)} className={ROW}>
              <bdi>{client.name}</bdi>
            </Command.Item>
          ))}
          {placesFor(text).map(([label, href]) => (
            <Command.Item key={href} value={href} onSelect={() => go(href)} className={`${ROW} text-ink-2`}>
              {label}
            </Command.Item>
          ))}
        </Command.List>
      </Command>
    </Dialog>
  );
}
