/** Compiles the engine and writes it as a module of text, so that every bundler and test runner carries it. */
import { readFileSync, renameSync, writeFileSync } from "node:fs";
import asc from "assemblyscript/asc";

const { error, stderr, stdout } = await asc.main([
  "engine/index.ts",
  "--outFile",
  ".build/engine.wasm",
  "--enable",
  "simd",
  "--runtime",
  "stub",
  "-O3",
  "--noAssert",
  "--use",
  "abort=",
  "--disableWarning",
  "112",
]);
if (error) {
  process.stderr.write(`${stderr.toString()}${stdout.toString()}${error.message}\n`);
  process.exit(1);
}
const code = readFileSync(".build/engine.wasm").toString("base64");
const made = "core/audio/engineCode.ts";
writeFileSync(
  `${made}.next`,
  `/** The engine of engine/, compiled; made by engine/build.mjs. */\nexport const ENGINE_CODE =\n  "${code}";\n`,
);
renameSync(`${made}.next`, made);
