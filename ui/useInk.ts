"use client";

import { useEffect, useState } from "react";

function read(names: readonly string[]): Record<string, string> {
  const style = getComputedStyle(document.documentElement);
  return Object.fromEntries(names.map((name) => [name, style.getPropertyValue(name).trim()]));
}

/** Theme colours as values, for drawings that cannot use CSS variables; follows the ground. */
export function useInk(names: readonly string[]): Record<string, string> {
  const key = names.join(" ");
  const [ink, setInk] = useState(() => read(names));
  useEffect(() => {
    const observer = new MutationObserver(() => setInk(read(key.split(" "))));
    observer.observe(document.documentElement, { attributeFilter: ["data-ground"] });
    return () => observer.disconnect();
  }, [key]);
  return ink;
}
