import { mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { ROOT } from "./state";

/** Writes the compiler settings that Next may change as it likes, from the project's own. */
export function writeNextSettings(): void {
  mkdirSync(join(ROOT, ".build"), { recursive: true });
  const settings = {
    extends: "../tsconfig.json",
    compilerOptions: { incremental: false, plugins: [{ name: "next" }] },
    include: ["../app/**/*.tsx"],
    exclude: ["../node_modules"],
  };
  writeFileSync(join(ROOT, ".build", "tsconfig.next.json"), JSON.stringify(settings, null, 2));
}
