"use client";
import { useEffect, useRef, type ComponentProps } from "react";

/** A list longer than its place, seen from its end: the newest visit is the one that matters. */
export function FromItsEnd(props: Omit<ComponentProps<"ol">, "ref">) {
  const list = useRef<HTMLOListElement>(null);
  useEffect(() => {
    if (list.current) list.current.scrollLeft = list.current.scrollWidth;
  }, []);
  return <ol ref={list} {...props} />;
}
