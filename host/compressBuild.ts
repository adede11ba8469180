import { readdirSync } from "node:fs";
import { readFile, writeFile } from "node:fs/promises";
import { extname, join, resolve, sep } from "node:path";
import { promisify } from "node:util";
import { brotliCompress } from "node:zlib";
import type { IncomingMessage, ServerResponse } from "node:http";

const compress = promisify(brotliCompress);

const TYPES: Record<string, string> = {
  ".js": "text/javascript; charset=utf-8",
  ".css": "text/css; charset=utf-8",
  ".json": "application/json; charset=utf-8",
  ".svg": "image/svg+xml",
};

const ENDING = ".br";
const PREFIX = "/_next/static/";

/** Compresses a build's files once and well, so that serving them costs nothing and they come quickly. */
export async function compressBuild(distDir: string): Promise<void> {
  const folder = join(distDir, "static");
  const files = readdirSync(folder, { recursive: true, encoding: "utf8" }).filter((name) => extname(name) in TYPES);
  await Promise.all(
    files.map(async (name) => {
      const file = join(folder, name);
      await writeFile(file + ENDING, await compress(await readFile(file)));
    }),
  );
}

/** The compressed file that a request is answered with; null where there is none, or none may be. */
function compressedFile(distDir: string, { method, url = "", headers }: IncomingMessage): string | null {
  if (method !== "GET" || !url.startsWith(PREFIX) || !/\bbr\b/.test(String(headers["accept-encoding"] ?? "")))
    return null;
  const name = decodeURIComponent(url.slice(PREFIX.length).split("?")[0]!);
  const folder = resolve(distDir, "static");
  const file = resolve(folder, name);
  return file.startsWith(folder + sep) && extname(file) in TYPES ? file : null;
}

/** Answers with a file of the build as it was compressed; false where somebody else has to answer. */
export async function sendCompressed(
  distDir: string,
  request: IncomingMessage,
  response: ServerResponse,
): Promise<boolean> {
  const file = compressedFile(distDir, request);
  const bytes = file && (await readFile(file + ENDING).catch(() => null));
  if (!bytes) return false;
  response.writeHead(200, {
    "content-type": TYPES[extname(file)],
    "content-encoding": "br",
    "content-length": bytes.length,
    // Names carry their content's hash.
    "cache-control": "public, max-age=31536000, immutable",
    vary: "Accept-Encoding",
  });
  response.end(bytes);
  return true;
}
