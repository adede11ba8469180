"use client";

import { useMemo, useSyncExternalStore, type AnchorHTMLAttributes, type MouseEvent, type Ref } from "react";

/**
 * Where in the application one is. All its pages are one document, so that going from one to another needs no server: there may
 * be no signal.
 */
const CHANGED = "hypophon:address";

function subscribe(listener: () => void): () => void {
  window.addEventListener("popstate", listener);
  window.addEventListener(CHANGED, listener);
  return () => {
    window.removeEventListener("popstate", listener);
    window.removeEventListener(CHANGED, listener);
  };
}

const here = (): string => `${window.location.pathname}${window.location.search}`;

/** Path and query of the page, as they are now. */
export function useAddress(): { path: string; query: URLSearchParams } {
  const address = useSyncExternalStore(subscribe, here, () => "");
  return useMemo(() => {
    const [path = "", query = ""] = address.split("?");
    return { path, query: new URLSearchParams(query) };
  }, [address]);
}

function moved(): void {
  window.dispatchEvent(new Event(CHANGED));
}

/** Goes to another page of the application; back leads here again. */
export function goTo(href: string): void {
  window.history.pushState(null, "", href);
  moved();
  window.scrollTo(0, 0);
}

/** Changes what the address says of this page; back leads where it led before. */
export function replaceAddress(href: string): void {
  window.history.replaceState(null, "", href);
  moved();
}

/** Changes some of what the address says of this page, without asking the server for anything. */
export function setInAddress(changes: Record<string, string | null>): void {
  const url = new URL(window.location.href);
  for (const [key, value] of Object.entries(changes))
    if (value === null) url.searchParams.delete(key);
    else url.searchParams.set(key, value);
  replaceAddress(`${url.pathname}${url.search}`);
}

/** Whether a press means this page, not another tab or window. */
const isPlain = ({ button, metaKey, ctrlKey, shiftKey, altKey }: MouseEvent): boolean =>
  button === 0 && !metaKey && !ctrlKey && !shiftKey && !altKey;

type LinkProps = AnchorHTMLAttributes<HTMLAnchorElement> & {
  href: string;
  /** Back does not lead here again. */
  replace?: boolean;
  /** The page stays where it is scrolled to. */
  keepsPlace?: boolean;
  ref?: Ref<HTMLAnchorElement>;
};

/** A link to another page of the application. */
export function Link({ href, replace = false, keepsPlace = false, onClick, ...rest }: LinkProps) {
  return (
    <a
      {...rest}
      href={href}
      onClick={(event) => {
        onClick?.(event);
        if (event.defaultPrevented || !isPlain(event) || rest.target) return;
        event.preventDefault();
        if (replace || keepsPlace) {
          window.history[replace ? "replaceState" : "pushState"](null, "", new URL(href, window.location.href));
          moved();
        } else goTo(new URL(href, window.location.href).toString());
      }}
    />
  );
}
