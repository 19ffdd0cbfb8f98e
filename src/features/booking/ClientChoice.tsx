"use client";
import Link from "next/link";
import { useRef, useState } from "react";
import { TextField } from "@/ui";

/** `hint` is what a search found them by, where it was not the name. */
export type Person = { readonly id: string; readonly name: string; readonly mannequin: boolean; readonly hint?: string };

/** A client found as the list finds them. */
export function ClientChoice({
  client,
  error,
  find,
  onChoose,
}: {
  client: Person | null;
  error: string | undefined;
  find: (search: string) => Promise<readonly Person[]>;
  onChoose: (client: Person | null) => void;
}) {
  const [search, setSearch] = useState("");
  /** Null until the search has been answered. */
  const [matches, setFound] = useState<readonly Person[] | null>(null);
  const turn = useRef(0);
  const look = (text: string) => {
    setSearch(text);
    onChoose(null);
    const mine = ++turn.current;
    if (text.trim() === "") return setFound(null);
    void find(text).then(
      (people) => mine === turn.current && setFound(people),
      () => undefined,
    );
  };
  return (
    <div>
      <TextField
        label="Client"
        autoFocus
        autoComplete="off"
        placeholder="Begin to type a name"
        value={client?.name ?? search}
        error={error}
        onChange={(event) => look(event.target.value)}
      />
      {client === null && matches?.length === 0 ? (
        <p className="mt-1 text-sm text-ink-2">
          Nobody by this name.{" "}
          <Link href="/clients/new" className="underline underline-offset-4">
            Add a new client
          </Link>{" "}
          first; the visit is then booked from their page.
        </p>
      ) : null}
      {client === null && matches && matches.length > 0 ? (
        <ul aria-label="Clients found" className="mt-1 rounded-md border border-line-strong bg-leaf">
          {matches.map((one) => (
            <li key={one.id}>
              <button type="button" className="block w-full px-3 py-2 text-left hover:bg-moss-soft" onClick={() => onChoose(one)}>
                <bdi>{one.name}</bdi>
                {one.mannequin ? <span className="text-sm text-ink-2"> mannequin head</span> : null}
                {one.hint ? (
                  <span className="block truncate text-sm text-ink-2" dir="auto">
                    {one.hint}
                  </span>
                ) : null}
              </button>
            </li>
          ))}
        </ul>
      ) : null}
    </div>
  );
}
