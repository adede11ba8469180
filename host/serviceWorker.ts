import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { getManifest } from "@serwist/build";
import { build } from "esbuild";
import { ROOT } from "./state";

/** No file of a build is larger than this, bytes. */
const LARGEST_FILE = 8_000_000;

/** Where a build keeps its service worker. */
export const SERVICE_WORKER = "sw.js";

/** Makes the service worker of a build: it holds all files of it, so that every page opens without a server. */
export async function makeServiceWorker(distDir: string): Promise<void> {
  const { manifestEntries, warnings } = await getManifest({
    globDirectory: join(ROOT, distDir, "static"),
    globPatterns: ["**/*"],
    // Names carry their content's hash.
    dontCacheBustURLsMatching: /./,
    modifyURLPrefix: { "": "/_next/static/" },
    maximumFileSizeToCacheInBytes: LARGEST_FILE,
  });
  if (warnings.length > 0) throw new Error(warnings.join(" "));
  const revision = createHash("sha256")
    .update(readFileSync(join(ROOT, distDir, "BUILD_ID")))
    .update(JSON.stringify(manifestEntries))
    .digest("hex")
    .slice(0, 16);
  const entries = [...(manifestEntries ?? []), { url: "/", revision }, { url: "/favicon.svg", revision }];
  await build({
    entryPoints: [join(ROOT, "workers", "serviceWorker.ts")],
    outfile: join(ROOT, distDir, SERVICE_WORKER),
    bundle: true,
    minify: true,
    format: "iife",
    target: "es2022",
    define: { BUILT: JSON.stringify(entries), "process.env.NODE_ENV": '"production"' },
    logLevel: "warning",
  });
}
