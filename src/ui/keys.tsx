"use client";
import { useEffect, type ReactNode } from "react";
import { HotkeysProvider, useHotkeys, useHotkeysContext } from "react-hotkeys-hook";

/** Keys of a page rest while a sheet lies over it; those of everywhere do not. */
const SCOPES = { page: "page", everywhere: "everywhere" } as const;

/** Above everything that hears keys. */
export function KeyScopes({ children }: { children: ReactNode }) {
  return <HotkeysProvider initiallyActiveScopes={Object.values(SCOPES)}>{children}</HotkeysProvider>;
}

let sheets = 0;
/** While it is open, a sheet takes the keys from the page under it. */
export function useKeysOfSheet(open: boolean): void {
  const { enableScope, disableScope } = useHotkeysContext();
  useEffect(() => {
    if (!open) return;
    sheets += 1;
    disableScope(SCOPES.page);
    return () => {
      sheets -= 1;
      if (sheets === 0) enableScope(SCOPES.page);
    };
  }, [open, enableScope, disableScope]);
}

export type KeyOptions = {
  /** Heard over an open sheet too. */
  readonly everywhere?: boolean;
  /** Heard while something is typed. */
  readonly whileTyping?: boolean;
  /** Held down, it works again and again. */
  readonly repeats?: boolean;
  /** By what is produced, however: "?" and "/" need other keys on other keyboards. */
  readonly anyModifiers?: boolean;
  /** What the browser does with the key stays. */
  readonly gentle?: boolean;
  /** Where the key belongs to what has the focus. */
  readonly unless?: (event: KeyboardEvent) => boolean;
};

/** What takes the focus and no text: a key is still the page's there. */
const HEARD_ON = ["slider", "radio", "option"] as const;

/**
 * A key of the page, by the letter that it produces. Not heard while something is typed, nor while a sheet lies over the page,
 * unless it says so. `useKey("n", place)`, `useKey(["mod+y", "mod+shift+z"], redo)`; Space by its place: `useKey("space", next)`
 */
export function useKey(keys: string | readonly string[], press: (event: KeyboardEvent) => void, options: KeyOptions = {}): void {
  const { everywhere, whileTyping, repeats, anyModifiers, gentle, unless } = options;
  useHotkeys(keys, press, {
    scopes: everywhere ? SCOPES.everywhere : SCOPES.page,
    useKey: typeof keys !== "string" || !keys.endsWith("space"),
    enableOnFormTags: whileTyping ? true : HEARD_ON,
    enableOnContentEditable: whileTyping ?? false,
    ignoreModifiers: anyModifiers ?? false,
    preventDefault: !gentle,
    // What has the focus, or another key of the page, took it already.
    ignoreEventWhen: (event) => event.defaultPrevented || (event.repeat && !repeats) || (unless?.(event) ?? false),
  });
}

/** Space belongs to a button or link that has the focus. */
export const isPressable = ({ target }: KeyboardEvent): boolean =>
  target instanceof HTMLElement && /^(BUTTON|A|SUMMARY)$/.test(target.tagName);
