import fc from "fast-check";
import { allowedHosts, hostName, isAllowedHost, isOwnOrigin } from "./hosts";

test.each(["localhost", "127.0.0.1:4180", "[::1]:4180", "LOCALHOST:80"])("%s is this machine", (host) => {
  expect(isAllowedHost(host, allowedHosts(""))).toBe(true);
});

test.each([
  "evil.example",
  "evil.example:4180",
  "localhost.evil.example",
  "127.0.0.1.evil.example",
  "localhost@evil.example",
  "evil.example#localhost",
  "localhost evil.example",
  "localhost.",
  "127.0.0.2",
  "0.0.0.0",
  "",
  null,
  undefined,
])("%j is not", (host) => {
  expect(isAllowedHost(host, allowedHosts(""))).toBe(false);
});

test("HYPOPHON_HOSTS adds names, whatever parts them", () => {
  const allowed = allowedHosts(" Sound.example, cart.local\n");
  expect(isAllowedHost("sound.example:443", allowed)).toBe(true);
  expect(isAllowedHost("cart.local", allowed)).toBe(true);
  expect(isAllowedHost("localhost", allowed)).toBe(true);
  expect(isAllowedHost("other.example", allowed)).toBe(false);
});

test.each<[string, boolean]>([
  ["http://127.0.0.1:4180", true],
  ["https://127.0.0.1:4180", true],
  ["http://127.0.0.1:4181", false],
  ["http://localhost:4180", false],
  ["null", false],
  ["", false],
  ["http://", false],
  ["javascript:127.0.0.1:4180", false],
  ["http://evil.example", false],
  ["http://127.0.0.1:4180.evil.example", false],
  ["\u0000", false],
])("origin %j of a page asked for at 127.0.0.1:4180: %s", (origin, isOwn) => {
  expect(isOwnOrigin(origin, "127.0.0.1:4180", allowedHosts(""))).toBe(isOwn);
});

test("no text is an error, and only names on the list are let in (fuzz)", () => {
  const allowed = allowedHosts("sound.example");
  fc.assert(
    fc.property(fc.string({ unit: "binary", maxLength: 40 }), (text) => {
      const name = hostName(text);
      expect(isAllowedHost(text, allowed)).toBe(name !== null && allowed.has(name));
      expect(isOwnOrigin(text, text, allowed)).toBe(false);
    }),
    { numRuns: 500 },
  );
});
