import { execFileSync, spawnSync } from "node:child_process";
import { X509Certificate } from "node:crypto";
import { mkdtempSync, readdirSync, rmSync, statSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Certificates, certificatesFor } from "./certificates";

const folder = mkdtempSync(join(tmpdir(), "hypophon-lan-"));
const home = join(folder, "home");
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const DAY_MS = 24 * 3600_000;
const leafOf = ({ cert }: Certificates) => new X509Certificate(cert);

/** What openssl says of a certificate under this root. */
function verify(root: string, cert: string): { isFine: boolean; says: string } {
  const [rootFile, certFile] = [join(folder, "root.pem"), join(folder, "cert.pem")];
  writeFileSync(rootFile, root);
  writeFileSync(certFile, cert);
  const { status, stdout, stderr } = spawnSync("openssl", ["verify", "-x509_strict", "-CAfile", rootFile, certFile], {
    encoding: "utf8",
  });
  return { isFine: status === 0, says: stdout + stderr };
}

/** A certificate that somebody makes who got hold of the root's key. */
function forged(name: string): string {
  const [key, csr, cert, ext] = ["f.key", "f.csr", "f.crt", "f.ext"].map((each) => join(folder, each)) as [
    string,
    string,
    string,
    string,
  ];
  writeFileSync(
    ext,
    `subjectAltName = ${name}\nbasicConstraints = critical, CA:FALSE\nauthorityKeyIdentifier = keyid\n`,
  );
  const quiet = { stdio: "ignore" } as const;
  execFileSync(
    "openssl",
    [..."req -new -newkey rsa:2048 -nodes -subj /CN=forged".split(" "), "-keyout", key, "-out", csr],
    quiet,
  );
  const signer = ["-CA", join(home, "root.crt"), "-CAkey", join(home, "root.key"), "-CAcreateserial"];
  execFileSync("openssl", ["x509", "-req", "-in", csr, ...signer, "-days", "9", "-extfile", ext, "-out", cert], quiet);
  return execFileSync("cat", [cert], { encoding: "utf8" });
}

let made: Certificates;
beforeAll(async () => {
  made = await certificatesFor(home, ["192.168.7.20", "quay.local"]);
});

test("openssl takes the certificate for its address and name, strictly (RFC 5280, independent program)", () => {
  expect(verify(made.root, made.cert)).toMatchObject({ isFine: true });
  const leaf = leafOf(made);
  expect(leaf.checkIP("192.168.7.20")).toBe("192.168.7.20");
  expect(leaf.checkHost("quay.local")).toBe("quay.local");
  expect(leaf.checkIP("192.168.7.21")).toBeUndefined();
  expect(leaf.ca).toBe(false);
  expect(Date.parse(leaf.validTo) - Date.parse(leaf.validFrom)).toBeLessThan(398 * DAY_MS);
});

test.each(["IP:93.184.216.34", "DNS:www.example.org", "DNS:local.example.org"])(
  "its root signs for the local network only: openssl refuses %s under it (RFC 5280 §4.2.1.10)",
  (name) => {
    const { isFine, says } = verify(made.root, forged(name));
    expect(isFine).toBe(false);
    expect(says).toMatch(/permitted subtree violation/);
  },
);

test("a forged one for an address of the local network is what the constraint leaves open", () => {
  expect(verify(made.root, forged("IP:10.0.0.9")).isFine).toBe(true);
});

test("the same names bring the same certificate; another network a new one under the same root", async () => {
  expect(await certificatesFor(home, ["quay.local", "192.168.7.20"])).toEqual(made);
  const next = await certificatesFor(home, ["10.1.2.3", "quay.local"]);
  expect([next.root, next.fingerprint]).toEqual([made.root, made.fingerprint]);
  expect(leafOf(next).checkIP("10.1.2.3")).toBe("10.1.2.3");
  expect(verify(made.root, next.cert).isFine).toBe(true);
});

test("it is renewed a fortnight before it ends, and the root before a certificate would outlive it", async () => {
  const now = await certificatesFor(home, ["quay.local"]);
  const ends = Date.parse(leafOf(now).validTo);
  expect((await certificatesFor(home, ["quay.local"], ends - 15 * DAY_MS)).cert).toBe(now.cert);
  expect((await certificatesFor(home, ["quay.local"], ends - 13 * DAY_MS)).cert).not.toBe(now.cert);
  const rootEnds = Date.parse(new X509Certificate(now.root).validTo);
  expect((await certificatesFor(home, ["quay.local"], rootEnds - 30 * DAY_MS)).root).not.toBe(now.root);
});

test("keys are read by their owner only, and a run leaves nothing half made", () => {
  expect(statSync(home).mode & 0o077).toBe(0);
  for (const key of ["root.key", "leaf.key"]) expect(statSync(join(home, key)).mode & 0o077).toBe(0);
  expect(readdirSync(home).filter((name) => name.startsWith("next-"))).toEqual([]);
});
