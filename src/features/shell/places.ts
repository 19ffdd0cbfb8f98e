import { fold, searchWords } from "@/core/client/fold";

/** A place to go to, or a thing to do; `words` are other names somebody may look for it by. */
export type Place = { readonly label: string; readonly words?: string; readonly href: string };

export const PLACES: readonly Place[] = [
  { label: "Today", words: "day bookings visits calendar", href: "/" },
  { label: "Clients", words: "people customers list", href: "/clients" },
  { label: "Clients who are due", words: "fill return", href: "/clients?show=due" },
  { label: "Clients long not here", words: "absent lost", href: "/clients?show=longNotHere" },
  { label: "Archived clients", words: "put away gone", href: "/clients?show=archived" },
  { label: "Colour and lift: lanes, protocols, products", words: "tint lamination lightening shields", href: "/colour" },
  { label: "Air: rooms, humidity, readings", words: "hygrometer temperature", href: "/air" },
  { label: "Shelf: bottles and trays", words: "adhesive glue stock lots", href: "/shelf" },
  { label: "Retention: how sets last", words: "fills loss", href: "/retention" },
  { label: "Studio policy", words: "settings questions schools rooms chairs hygrometers", href: "/studio" },
  { label: "People of the studio", words: "team staff roles invite", href: "/studio/people" },
  { label: "Audit list", words: "who did what signed in exported", href: "/studio/audit" },
  { label: "Your profile", words: "password sessions second factor theme sounds account", href: "/profile" },
];

/** What is done from anywhere: begun by a page that opens where it is done. */
export const DOINGS: readonly Place[] = [
  { label: "Book a visit", words: "appointment new", href: "/?book" },
  { label: "Add a client", words: "new", href: "/clients/new" },
  { label: "Add a mannequin head", words: "new practice", href: "/clients/new?mannequin" },
  { label: "Import clients from a CSV file", words: "read in list", href: "/clients/import" },
];

/** Those that every word of a search begins a word of; all where nothing is searched. */
export function placesFor<T extends Pick<Place, "label" | "words">>(search: string, places: readonly T[]): T[] {
  const wanted = searchWords(search);
  return places.filter(({ label, words = "" }) => {
    const text = ` ${fold(`${label} ${words}`)}`;
    return wanted.every((word) => text.includes(` ${word}`));
  });
}
