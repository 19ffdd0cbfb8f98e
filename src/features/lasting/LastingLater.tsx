"use client";
import dynamic from "next/dynamic";

/** How a client's sets lasted, fetched once the page stands: its charts and their reckoning are more than the page itself. */
export const LastingLater = dynamic(() => import("./ClientLasting").then((module) => module.ClientLasting), {
  ssr: false,
  loading: () => <div className="mt-8 h-[34rem]" aria-hidden="true" />,
});
