import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { PARTS } from "../core/connect/catalogue";
import { INPUTS, SOURCES, type InputId, type SourceId } from "../core/connect/devices";
import { findPath } from "../core/connect/findPath";
import { pathWords } from "../core/connect/kit";
import { oneOf } from "../core/schema/oneOf";
import type { Calculator } from "./calculator";

const PathCall = Type.Object(
  {
    source: oneOf(Object.keys(SOURCES) as SourceId[], "Source"),
    input: oneOf(Object.keys(INPUTS) as InputId[], "Input"),
    /** Parts in the bag, by id; the rest of the catalogue is to be got. */
    owned: Type.Array(
      oneOf(
        PARTS.map(({ id }) => id),
        "Part",
      ),
      { title: "Owned", maxItems: 500, uniqueItems: true },
    ),
  },
  { additionalProperties: false },
);

/** Calculators of what goes through leads. */
export const CONNECT_CALCULATORS: Record<string, Calculator> = {
  path: {
    says: "the leads and adapters from a source to an input, what to set, and how it can go wrong",
    schema: PathCall,
    example: { source: "lavSelf", input: "phone", owned: ["adapter-self"] } satisfies Static<typeof PathCall>,
    run(input) {
      const call = input as Static<typeof PathCall>;
      const parts = PARTS.map((part) => ({ ...part, isOwned: call.owned.includes(part.id) }));
      const [source, into] = [SOURCES[call.source], INPUTS[call.input]];
      const path = findPath(source, into, parts);
      const says = pathWords(path, source, into);
      const isGood = path !== null && (path.verdict === "works" || path.verdict === "worksIfSet");
      const named = (list: readonly { id: string; name: string }[]) => list.map(({ id, name }) => ({ id, name }));
      return {
        result: path && {
          verdict: path.verdict,
          parts: named(path.parts),
          missing: named(path.missing),
          settings: path.settings,
          because: path.because,
          says,
        },
        finding: isGood ? null : says,
      };
    },
  },
};
