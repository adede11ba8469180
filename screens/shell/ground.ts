"use client";

/** The two grounds to work on. */
export type Ground = "day" | "dark";

/** Switches the ground and remembers it for a year; the server reads the cookie, so no flash on the next visit. */
export function switchGround(): Ground {
  const next: Ground = document.documentElement.dataset["ground"] === "dark" ? "day" : "dark";
  document.documentElement.dataset["ground"] = next;
  document.cookie = `ground=${next}; path=/; max-age=31536000; samesite=strict`;
  return next;
}
