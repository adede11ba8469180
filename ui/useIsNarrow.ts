"use client";

import { useSyncExternalStore } from "react";

const QUERY = "(max-width: 759px)";

function subscribe(listen: () => void): () => void {
  const media = window.matchMedia(QUERY);
  media.addEventListener("change", listen);
  return () => media.removeEventListener("change", listen);
}

/** Whether the page is as narrow as a phone held upright. */
export const useIsNarrow = (): boolean =>
  useSyncExternalStore(
    subscribe,
    () => window.matchMedia(QUERY).matches,
    () => false,
  );
