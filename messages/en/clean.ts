import type { CleanCatalogue } from "../../core/clean";
import type { Templates } from "../templates";
import { count } from "./words";

export const clean: Templates<CleanCatalogue> = {
  "clean.lowCut": ({ cornerHz }) => `Low cut at ${cornerHz} Hz`,
  "clean.hum": ({ lowestHz, lines }) =>
    lines === 1
      ? `Hum notched at ${lowestHz.toFixed(1)} Hz`
      : `Hum notched at ${lines} frequencies from ${lowestHz.toFixed(1)} Hz up`,
  "clean.noise": ({ byDb }) => `Noise down by ${byDb} dB`,
  "clean.pops": ({ count: pops }) => `${count(pops, "pop", "pops")} turned down`,
  "clean.gaps": ({ count: gaps }) => `${count(gaps, "short gap", "short gaps")} filled`,
  "clean.clipping": ({ count: places }) => `Clipped peaks redrawn in ${count(places, "place", "places")}: a guess`,
  "clean.evenOut": ({ mostDb }) => `Phrases evened out by up to ${mostDb.toFixed(0)} dB`,
  "clean.nothing": () => "Nothing in it asks for cleaning.",
};
