"use client";
import dynamic from "next/dynamic";

/** A visit's page is either a set's or a run's: the script of the one that is not shown is not fetched. */
export const ColourLoader = dynamic(() => import("./ColourWorkspace").then(({ ColourWorkspace }) => ColourWorkspace));
