import { gzipSync } from "node:zlib";
import { benchPage } from "./benchPage";
import { withDemo } from "./demoServer";
import { DEMO_SHOOT_ID } from "../demo/recordings";

const LIMIT_KB = 300;
const SCREENS = ["", "scout", "pickup", "dress", "level", "check", "link"];

async function bytesOf(address: string): Promise<number> {
  const response = await fetch(address);
  return gzipSync(new Uint8Array(await response.arrayBuffer())).byteLength;
}

/** Compressed JavaScript that a page's HTML asks for before anything is clicked. */
async function firstLoadKb(address: string, path: string): Promise<number> {
  const html = await (await fetch(`${address}${path}`)).text();
  const scripts = new Set(
    [...html.matchAll(/<script[^>]+src="([^"]+)"[^>]*>/g)]
      // Browsers with modules do not load what is marked for those without.
      .filter((match) => !/nomodule/i.test(match[0]))
      .map((match) => match[1]!),
  );
  let bytes = 0;
  for (const script of scripts) bytes += await bytesOf(`${address}${script}`);
  return bytes / 1000;
}

/** Prints the first-load JavaScript of each screen of a production build. */
export async function benchWeb(): Promise<number> {
  let isGood = true;
  await withDemo(async (address) => {
    const pages = [
      ["shoots", "/"],
      ...SCREENS.map((screen) => [screen || "board", `/shoots/${DEMO_SHOOT_ID}/${screen}`.replace(/\/$/, "")]),
    ];
    for (const [screen, path] of pages) {
      const kilobytes = await firstLoadKb(address, path!);
      if (!(kilobytes > 0 && kilobytes <= LIMIT_KB)) isGood = false;
      process.stdout.write(`${screen!.padEnd(8)}${kilobytes.toFixed(0)} kB\n`);
    }
    if (!(await benchPage(address))) isGood = false;
  });
  process.stdout.write(
    isGood
      ? `each within ${LIMIT_KB} kB, 50 ms a change and 100 ms a task\n`
      : `beyond a limit (${LIMIT_KB} kB a screen, 50 ms a change, 100 ms a task)\n`,
  );
  return isGood ? 0 : 1;
}
