import { z } from "zod";
import { asked, oneOf } from "../question";

/** Languages that names may be sorted by, each with what it is known for. Every one is a collation of the database's own (ICU). */
export const NAME_ORDERS = {
  en: "English",
  hr: "Croatian",
  cs: "Czech",
  da: "Danish",
  nl: "Dutch",
  et: "Estonian",
  fi: "Finnish",
  fr: "French",
  de: "German",
  el: "Greek",
  hu: "Hungarian",
  is: "Icelandic",
  it: "Italian",
  lv: "Latvian",
  lt: "Lithuanian",
  nb: "Norwegian",
  pl: "Polish",
  pt: "Portuguese",
  ro: "Romanian",
  sk: "Slovak",
  sl: "Slovenian",
  es: "Spanish",
  sv: "Swedish",
  tr: "Turkish",
  uk: "Ukrainian",
} as const;

export const clients = asked("Clients", {
  nameOrder: {
    ...oneOf(NAME_ORDERS),
    default: "en",
    label: "Names are sorted as in",
    reason: "Where Å, Ł, Ñ or Ö stand among the others is a matter of the language.",
    standing: "a model of ours",
    readBy: ["features/person/search"],
  },
  longNotHereDays: {
    schema: z.int().min(30, "From 30 to 730 days.").max(730, "From 30 to 730 days."),
    default: 90,
    label: "A client has not been here for long after",
    unit: "days",
    step: 10,
    reason: "Whoever has nothing booked and was last here longer ago than this.",
    standing: "a model of ours",
    readBy: ["core/client/return"],
  },
});
