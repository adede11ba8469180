import { execFile } from "node:child_process";
import { X509Certificate } from "node:crypto";
import { existsSync, mkdirSync, mkdtempSync, readFileSync, renameSync, rmSync, writeFileSync } from "node:fs";
import { isIPv4 } from "node:net";
import { join } from "node:path";
import { promisify } from "node:util";
import { LOCAL_NETWORKS } from "./addresses";

const run = promisify(execFile);

const DAY_MS = 24 * 3600_000;
const ROOT_DAYS = 3650;
/** Phones take no certificate for longer than 825 days; a short one is renewed without anybody's doing. */
const LEAF_DAYS = 90;
const RENEW_MS = 14 * DAY_MS;

const EC = "-newkey ec -pkeyopt ec_paramgen_curve:prime256v1 -nodes".split(" ");

/** May sign for addresses of local networks and their names only: stolen, it is of no use elsewhere. */
const ROOT_SETTINGS = `[req]
distinguished_name = name
x509_extensions = root
prompt = no
[name]
CN = Hypophon on this laptop
[root]
basicConstraints = critical, CA:TRUE, pathlen:0
keyUsage = critical, keyCertSign, cRLSign
subjectKeyIdentifier = hash
nameConstraints = critical, ${LOCAL_NETWORKS.map(([network, mask]) => `permitted;IP:${network}/${mask}`).join(", ")}, permitted;DNS:local, permitted;DNS:localhost
`;

const leafSettings = (names: readonly string[]): string => `basicConstraints = critical, CA:FALSE
keyUsage = critical, digitalSignature
extendedKeyUsage = serverAuth
authorityKeyIdentifier = keyid
subjectAltName = ${names.map((name) => (isIPv4(name) ? `IP:${name}` : `DNS:${name}`)).join(", ")}
`;

export interface Certificates {
  /** The root that phones are to trust, PEM. */
  root: string;
  /** SHA-256 of the root, as phones show it. */
  fingerprint: string;
  cert: string;
  key: string;
}

async function openssl(args: readonly string[], cwd: string): Promise<void> {
  try {
    await run("openssl", [...args], { cwd });
  } catch (error) {
    const { code, stderr } = error as { code?: string; stderr?: string };
    if (code === "ENOENT") throw new Error("openssl is missing: install the package openssl.");
    throw new Error(`openssl made no certificate: ${(stderr ?? "").trim().split("\n").at(-1)}`);
  }
}

/** Makes files in a folder of their own and moves them into place, so that a killed run leaves no half of them. */
async function makeIn(home: string, files: readonly string[], make: (folder: string) => Promise<void>): Promise<void> {
  const folder = mkdtempSync(join(home, "next-"));
  try {
    await make(folder);
    for (const file of files) renameSync(join(folder, file), join(home, file));
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

const makeRoot = (home: string): Promise<void> =>
  // The certificate last: where it is, its key is too.
  makeIn(home, ["root.key", "root.crt"], async (folder) => {
    writeFileSync(join(folder, "root.cnf"), ROOT_SETTINGS);
    const out = ["-keyout", "root.key", "-out", "root.crt", "-days", String(ROOT_DAYS)];
    await openssl(["req", "-x509", ...EC, "-config", "root.cnf", ...out], folder);
  });

const makeLeaf = (home: string, names: readonly string[]): Promise<void> =>
  makeIn(home, ["leaf.key", "leaf.crt"], async (folder) => {
    writeFileSync(join(folder, "leaf.ext"), leafSettings(names));
    const request = ["-subj", "/CN=Hypophon", "-keyout", "leaf.key", "-out", "leaf.csr"];
    await openssl(["req", "-new", ...EC, ...request], folder);
    const signer = ["-CA", join(home, "root.crt"), "-CAkey", join(home, "root.key"), "-CAcreateserial"];
    const made = ["-days", String(LEAF_DAYS), "-extfile", "leaf.ext", "-out", "leaf.crt"];
    await openssl(["x509", "-req", "-in", "leaf.csr", ...signer, ...made], folder);
  });

const readCertificate = (path: string): X509Certificate | null =>
  existsSync(path) ? new X509Certificate(readFileSync(path)) : null;

/** Whether a certificate is of this root, for all these names, and for a while yet. */
function isFit(leaf: X509Certificate | null, root: X509Certificate, names: readonly string[], nowMs: number): boolean {
  if (!leaf || !leaf.checkIssued(root) || !leaf.verify(root.publicKey)) return false;
  if (Date.parse(leaf.validTo) - nowMs < RENEW_MS) return false;
  return names.every((name) => (isIPv4(name) ? leaf.checkIP(name) : leaf.checkHost(name)));
}

/**
 * A root certificate of this machine, made once, and one for the names and addresses it has now, made anew where they changed.
 * @param home a folder that only its owner reads.
 */
export async function certificatesFor(
  home: string,
  names: readonly string[],
  nowMs = Date.now(),
): Promise<Certificates> {
  mkdirSync(home, { recursive: true, mode: 0o700 });
  const [rootPath, leafPath] = [join(home, "root.crt"), join(home, "leaf.crt")];
  let root = readCertificate(rootPath);
  if (!root || Date.parse(root.validTo) - nowMs < LEAF_DAYS * DAY_MS) {
    await makeRoot(home);
    root = readCertificate(rootPath)!;
  }
  if (!isFit(readCertificate(leafPath), root, names, nowMs)) await makeLeaf(home, names);
  return {
    root: readFileSync(rootPath, "utf8"),
    fingerprint: root.fingerprint256,
    cert: readFileSync(leafPath, "utf8"),
    key: readFileSync(join(home, "leaf.key"), "utf8"),
  };
}
