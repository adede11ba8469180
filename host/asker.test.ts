import type { IncomingHttpHeaders } from "node:http";
import { ADDRESS_HEADER, isSecure, SECURE_HEADER } from "../server/asker";
import { nameAsker, trustedProxies } from "./asker";

/** What a request says of itself after it was looked at. */
function named(
  headers: IncomingHttpHeaders,
  socket: { remoteAddress: string; encrypted: boolean },
  trusted: string[] = [],
): IncomingHttpHeaders {
  nameAsker({ headers, socket }, new Set(trusted));
  return headers;
}
const FROM = { remoteAddress: "10.0.0.7", encrypted: false };
const CLAIMS = {
  "x-forwarded-for": "1.2.3.4",
  "x-forwarded-proto": "https",
  "x-real-ip": "1.2.3.4",
  forwarded: "for=1.2.3.4",
};

test("what a stranger says of where it comes from is thrown away", () => {
  const lies = { ...CLAIMS, [ADDRESS_HEADER]: "1.2.3.4", [SECURE_HEADER]: "1", host: "localhost" };
  expect(named(lies, FROM)).toEqual({ host: "localhost", [ADDRESS_HEADER]: "10.0.0.7", [SECURE_HEADER]: "0" });
});

test("a trusted proxy is believed, in what it added last; nobody else with it", () => {
  const through = { ...CLAIMS, "x-forwarded-for": "6.6.6.6, 1.2.3.4" };
  expect(named({ ...through }, FROM, ["10.0.0.7"])).toEqual({ [ADDRESS_HEADER]: "1.2.3.4", [SECURE_HEADER]: "1" });
  expect(named({ ...through }, FROM, ["10.0.0.8"])).toEqual({ [ADDRESS_HEADER]: "10.0.0.7", [SECURE_HEADER]: "0" });
  expect(named({}, FROM, ["10.0.0.7"])).toEqual({ [ADDRESS_HEADER]: "10.0.0.7", [SECURE_HEADER]: "0" });
});

test("a line with TLS of our own is one; addresses of version 4 are written plainly", () => {
  expect(named({}, { remoteAddress: "::ffff:192.168.1.9", encrypted: true })).toEqual({
    [ADDRESS_HEADER]: "192.168.1.9",
    [SECURE_HEADER]: "1",
  });
});

test("proxies are listed by commas or spaces", () => {
  expect([...trustedProxies("127.0.0.1, 10.0.0.2 10.0.0.3")]).toEqual(["127.0.0.1", "10.0.0.2", "10.0.0.3"]);
  expect(trustedProxies("").size).toBe(0);
});

test("cookies go over TLS only where all of the line has it", () => {
  const asked = (host: string, flag: string) => new Headers({ host, [SECURE_HEADER]: flag });
  expect(isSecure(asked("10.0.0.7:4443", "1"), "")).toBe(true);
  expect(isSecure(asked("localhost:4180", "0"), "")).toBe(false);
  // People open it over TLS at a proxy; the machine itself asks without.
  expect(isSecure(asked("sound.example.org", "0"), "https://sound.example.org")).toBe(true);
  expect(isSecure(asked("localhost:4180", "0"), "https://sound.example.org")).toBe(false);
  expect(isSecure(asked("sound.example.org", "0"), "http://sound.example.org")).toBe(false);
});
