import Link from "next/link";
import { Button, Empty, LinkButton, TextField } from "@/ui";

type Line = { id: string; name: string; contact: string; mannequin: boolean; last: string | null };

export function ClientList({ clients, more, search }: { clients: readonly Line[]; more: boolean; search: string }) {
  return (
    <div className="mx-auto max-w-4xl">
      <div className="flex flex-wrap items-end justify-between gap-4 pt-6 pb-6">
        <h1 className="text-4xl">Clients</h1>
        <div className="flex flex-wrap items-end gap-3">
          <form role="search" className="flex items-end gap-2">
            <TextField label="Name" name="find" type="search" defaultValue={search} className="sm:w-64" />
            <Button type="submit" tone="line">
              Find
            </Button>
          </form>
          <LinkButton href="/clients/new">New client</LinkButton>
        </div>
      </div>
      {clients.length === 0 ? (
        <Empty title={search ? `Nobody called “${search}”` : "Nobody is written down yet"}>
          <Link href="/clients/new" className="font-semibold text-ivy underline underline-offset-4">
            Add a client
          </Link>
        </Empty>
      ) : (
        <ul className="border-t border-line">
          {clients.map((client) => (
            <li key={client.id} className="border-b border-line">
              <Link href={`/clients/${client.id}`} className="flex flex-wrap items-baseline gap-x-4 px-2 py-3 hover:bg-moss-soft">
                <bdi className="min-w-0 font-serif text-xl break-words">{client.name}</bdi>
                <span className="min-w-0 flex-1 truncate text-sm text-ink-2">
                  {client.mannequin ? "mannequin head, for practice" : client.contact}
                </span>
                <span className="text-sm text-ink-2">
                  {client.mannequin
                    ? client.last
                      ? `practised on ${client.last}`
                      : "not used yet"
                    : client.last
                      ? `last here ${client.last}`
                      : "not been yet"}
                </span>
              </Link>
            </li>
          ))}
        </ul>
      )}
      <p className="mt-4 text-sm text-ink-2">
        Practising without a client?{" "}
        <Link href="/clients/new?mannequin" className="font-semibold text-ivy underline underline-offset-4">
          Add a mannequin head
        </Link>
        : it has a survey, maps and practice visits, and is never taken for a client.
      </p>
      {more ? <p className="mt-4 text-sm text-ink-2">More than these; write some of the name to find the rest.</p> : null}
    </div>
  );
}
