/** Compiles the engines and writes each as a module of text, so that every bundler and test runner carries it. */
import { readFileSync, renameSync, writeFileSync } from "node:fs";
import asc from "assemblyscript/asc";

const ENGINES = [
  { entry: "engine/index.ts", wasm: ".build/engine.wasm", made: "core/audio/engineCode.ts" },
  { entry: "engine/lining/index.ts", wasm: ".build/lining.wasm", made: "core/sync/engineCode.ts" },
  { entry: "engine/cleaning/index.ts", wasm: ".build/cleaning.wasm", made: "core/clean/engineCode.ts" },
  { entry: "engine/delivering/index.ts", wasm: ".build/delivering.wasm", made: "core/deliver/engineCode.ts" },
];

for (const { entry, wasm, made } of ENGINES) {
  const { error, stderr, stdout } = await asc.main([
    ...[entry, "--outFile", wasm, "--enable", "simd", "--runtime", "stub", "-O3", "--noAssert"],
    ...["--use", "abort=", "--disableWarning", "112"],
  ]);
  if (error) {
    process.stderr.write(`${stderr.toString()}${stdout.toString()}${error.message}\n`);
    process.exit(1);
  }
  const code = readFileSync(wasm).toString("base64");
  writeFileSync(
    `${made}.next`,
    `/** ${entry}, compiled; made by engine/build.mjs. */\nexport const ENGINE_CODE =\n  "${code}";\n`,
  );
  renameSync(`${made}.next`, made);
}
