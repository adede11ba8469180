/** The address a request comes from, as our own server saw it; nobody else can set it. */
export const ADDRESS_HEADER = "x-hypophon-address";
/** "1" where the request came over TLS. */
export const SECURE_HEADER = "x-hypophon-secure";

/** Whether what is answered goes over TLS all the way, so that cookies need no other. */
export function isSecure(headers: Headers, origin = process.env["HYPOPHON_ORIGIN"] ?? ""): boolean {
  if (headers.get(SECURE_HEADER) === "1") return true;
  if (!origin.startsWith("https:") || !URL.canParse(origin)) return false;
  // The machine itself asks by another name, without TLS.
  return new URL(origin).host === headers.get("host");
}
