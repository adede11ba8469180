import { wantsAccounts } from "./wantsAccounts";

const hosts = process.env["HYPOPHON_HOSTS"];
afterEach(() => {
  if (hosts === undefined) delete process.env["HYPOPHON_HOSTS"];
  else process.env["HYPOPHON_HOSTS"] = hosts;
});

test("nobody signs in unless that is asked for", () => {
  delete process.env["HYPOPHON_HOSTS"];
  expect(wantsAccounts([])).toBe(false);
  expect(wantsAccounts(["--accounts"])).toBe(true);
});

test.each(["sound.example.org", "localhost, 192.168.7.20", "127.0.0.1 studio"])(
  "where others can come in (%s), people must sign in",
  (named) => {
    process.env["HYPOPHON_HOSTS"] = named;
    expect(() => wantsAccounts([])).toThrow(/so people must sign in: start --accounts\.$/);
    expect(wantsAccounts(["--accounts"])).toBe(true);
  },
);

test("names of the machine itself let nobody else in", () => {
  process.env["HYPOPHON_HOSTS"] = "localhost 127.0.0.1 [::1]";
  expect(wantsAccounts([])).toBe(false);
});

test("what start does not know is said, and nothing is started", () => {
  expect(() => wantsAccounts(["--acounts"])).toThrow("start knows --accounts only, not --acounts.");
});
