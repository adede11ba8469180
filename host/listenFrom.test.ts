import { type AddressInfo, createServer, type Server } from "node:net";
import { askedPort, listenFrom } from "./listenFrom";

const open: Server[] = [];
const server = (): Server => {
  const made = createServer();
  open.push(made);
  return made;
};
afterEach(() => open.splice(0).forEach((each) => each.close()));

test("a port that is taken is passed over, and the one that was got is told", async () => {
  const first = server();
  await new Promise<void>((resolve) => first.listen(0, "127.0.0.1", resolve));
  const { port: taken } = first.address() as AddressInfo;
  const next = server();
  const got = (await listenFrom(next, "127.0.0.1", taken))!;
  expect(got).toBeGreaterThan(taken);
  expect((next.address() as AddressInfo).port).toBe(got);
});

test("an address that the machine does not have is none, and no failure", async () => {
  // Source: RFC 5737, addresses for documentation.
  expect(await listenFrom(server(), "192.0.2.1", 4443)).toBeNull();
});

test.each(["0", "-1", "x", "80.5", "65500", "99999"])("a port called %s is refused by the setting's name", (asked) => {
  process.env["HYPOPHON_TEST_PORT"] = asked;
  expect(() => askedPort("HYPOPHON_TEST_PORT", 4180)).toThrow(
    `HYPOPHON_TEST_PORT is ${asked}: a number from 1 to 65335`,
  );
  delete process.env["HYPOPHON_TEST_PORT"];
});

test("nobody asks: the usual port", () => expect(askedPort("HYPOPHON_TEST_PORT", 4180)).toBe(4180));
