/** A device as people call it, from what its browser says of itself. Sources: "Mobi" and "Tablet" as browsers name them, common practice. */
export function deviceName(userAgent: string | null): "phone" | "tablet" | "computer" {
  const said = userAgent ?? "";
  if (/tablet/i.test(said)) return "tablet";
  return /mobi/i.test(said) ? "phone" : "computer";
}
