import { startWish } from "./startWish";

const hosts = process.env["HYPOPHON_HOSTS"];
afterEach(() => {
  if (hosts === undefined) delete process.env["HYPOPHON_HOSTS"];
  else process.env["HYPOPHON_HOSTS"] = hosts;
});

test("nobody signs in unless that is asked for", () => {
  delete process.env["HYPOPHON_HOSTS"];
  expect(startWish([])).toEqual({ hasAccounts: false, isOnLan: false });
  expect(startWish(["--accounts"])).toEqual({ hasAccounts: true, isOnLan: false });
});

test("whoever comes over the local network must sign in", () => {
  delete process.env["HYPOPHON_HOSTS"];
  expect(startWish(["--lan"])).toEqual({ hasAccounts: true, isOnLan: true });
});

test.each(["sound.example.org", "localhost, 192.168.7.20", "127.0.0.1 studio"])(
  "where others can come in (%s), people must sign in",
  (named) => {
    process.env["HYPOPHON_HOSTS"] = named;
    expect(() => startWish([])).toThrow(/so people must sign in: start --accounts\.$/);
    expect(startWish(["--accounts"]).hasAccounts).toBe(true);
  },
);

test("where it listens for others, people must sign in", () => {
  delete process.env["HYPOPHON_HOSTS"];
  process.env["HYPOPHON_LISTEN"] = "0.0.0.0";
  try {
    expect(() => startWish([])).toThrow(/opens it to others \(0\.0\.0\.0\), so people must sign in/);
    expect(startWish(["--accounts"]).hasAccounts).toBe(true);
    process.env["HYPOPHON_LISTEN"] = "127.0.0.1";
    expect(startWish([]).hasAccounts).toBe(false);
  } finally {
    delete process.env["HYPOPHON_LISTEN"];
  }
});

test("names of the machine itself let nobody else in", () => {
  process.env["HYPOPHON_HOSTS"] = "localhost 127.0.0.1 [::1]";
  expect(startWish([]).hasAccounts).toBe(false);
});

test("what start does not know is said, and nothing is started", () => {
  expect(() => startWish(["--acounts"])).toThrow("start knows --accounts and --lan only, not --acounts.");
});
