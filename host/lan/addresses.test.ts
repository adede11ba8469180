import fc from "fast-check";
import { isLocalAddress, lanAddresses, localName } from "./addresses";

test.each([
  "10.0.0.1",
  "10.255.255.255",
  "172.16.0.1",
  "172.31.9.9",
  "192.168.1.1",
  "169.254.7.7",
  "100.64.0.1",
  "127.0.0.2",
])("%s is of a local network (RFC 1918, 3927, 6598)", (address) => expect(isLocalAddress(address)).toBe(true));

test.each([
  "9.255.255.255",
  "11.0.0.0",
  "172.15.255.255",
  "172.32.0.0",
  "192.167.1.1",
  "100.128.0.1",
  "8.8.8.8",
  "::1",
  "",
  "10.0.0",
])("%s is not", (address) => expect(isLocalAddress(address)).toBe(false));

test("addresses are named, or found; one of the open net is refused by its name", () => {
  expect(lanAddresses("127.0.0.2, 10.1.1.1")).toEqual(["127.0.0.2", "10.1.1.1"]);
  expect(() => lanAddresses("10.1.1.1 8.8.8.8")).toThrow(
    /names 8\.8\.8\.8, which is no IPv4 address of a local network/,
  );
  for (const found of lanAddresses("")) expect(isLocalAddress(found)).toBe(true);
});

test("a machine is called by its own name in the local network, or by none", () => {
  expect(localName("Quay-Laptop.lan")).toBe("quay-laptop.local");
  expect([localName("localhost"), localName("my laptop"), localName("-x"), localName("")]).toEqual([
    null,
    null,
    null,
    null,
  ]);
});

test("whatever a machine is called, its name is one that a certificate may hold (property)", () => {
  fc.assert(
    fc.property(fc.string(), (name) => {
      const local = localName(name);
      return local === null || /^[a-z0-9-]{1,63}\.local$/.test(local);
    }),
  );
});
