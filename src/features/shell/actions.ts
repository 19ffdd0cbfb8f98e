"use server";
import { and, eq, isNull } from "drizzle-orm";
import { z } from "zod";
import { fold, searchWords } from "@/core/client";
import { PRODUCT_KINDS } from "@/core/mixing";
import { SERVICES } from "@/core/service";
import { adhesive, lot, product } from "@/db/schema";
import { findClientsBy } from "@/features/person/search";
import { offeredProtocols } from "@/features/protocols/data";
import { action } from "@/server/action";
import { inStudio, together } from "@/server/inStudio";
import { studioPolicy } from "@/server/studioPolicy";

const [CLIENTS, OTHERS] = [8, 5] as const;

type Found = { readonly id: string; readonly label: string; readonly hint: string; readonly href: string };

/** What a search finds in the studio: clients, bottles and packs in use, protocols. All of them by the same letters, accents or not. */
export const findAnything = action({ input: z.strictObject({ search: z.string().max(120) }) }, (me, { search }) =>
  inStudio(me, async (tx) => {
    const words = searchWords(search);
    const policy = await studioPolicy(tx);
    const [clients, lots, protocols] = await together([
      words.length === 0 ? [] : findClientsBy(tx, search, policy, CLIENTS),
      words.length === 0
        ? []
        : tx
            .select({ id: lot.id, number: lot.number, adhesive: adhesive.document, product: product.document })
            .from(lot)
            .leftJoin(adhesive, and(eq(adhesive.studioId, lot.studioId), eq(adhesive.id, lot.adhesiveId)))
            .leftJoin(product, and(eq(product.studioId, lot.studioId), eq(product.id, lot.productId)))
            .where(isNull(lot.emptiedOn)),
      words.length === 0 ? [] : offeredProtocols(tx, policy),
    ]);
    const isFound = ({ label, hint }: Found) => {
      const text = fold(`${label} ${hint}`);
      return words.every((word) => text.includes(word));
    };
    const bottles = lots.map(({ id, number, adhesive: glue, product: other }): Found => ({
      id,
      label: `${glue?.name ?? other?.name ?? ""}, lot ${number}`,
      hint: glue ? "adhesive" : other ? PRODUCT_KINDS[other.kind].label : "",
      href: glue ? `/shelf#lot-${id}` : `/colour#lot-${id}`,
    }));
    const ways = protocols.map(({ id, document }): Found => ({
      id: id ?? document.service,
      label: document.name,
      hint: `protocol, ${SERVICES[document.service].label}`,
      href: `/colour/protocols/${id ?? document.service}`,
    }));
    return {
      clients: clients.map(({ id, name, mannequin, hint }): Found => ({
        id,
        label: name,
        hint: mannequin ? "mannequin head" : hint,
        href: `/clients/${id}`,
      })),
      bottles: bottles.filter(isFound).slice(0, OTHERS),
      protocols: ways.filter(isFound).slice(0, OTHERS),
    };
  }),
);
