import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { type InputId, INPUTS, PACK_INPUTS, type PackInputId, PARTS, type SourceId, SOURCES } from "../core/devices";
import { ANSWER_NAMES, type AnyMessage, placedWords, say } from "../messages";
import { findPath, nearMisses, pathMessage } from "../core/connect";
import { oneOf } from "../core/schema";
import { causeMessages, diagnose, genericSetup, PROBE_IDS, probeOf, questionOf, SYMPTOM_IDS } from "../core/rehearsal";
import type { Calculator } from "./calculator";

/** Where a cable may end: what records, and packs. */
const EVERY_INPUT = { ...INPUTS, ...PACK_INPUTS };

const PathCall = Type.Object(
  {
    source: oneOf(Object.keys(SOURCES) as SourceId[], "Source"),
    input: oneOf(Object.keys(EVERY_INPUT) as (InputId | PackInputId)[], "Input"),
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

const TroubleCall = Type.Object(
  {
    source: PathCall.properties.source,
    input: oneOf(Object.keys(INPUTS) as InputId[], "Input"),
    symptom: oneOf(SYMPTOM_IDS, "Symptom"),
    /** Answers by probe; each probe's answers are named in the result before it. */
    answers: Type.Partial(
      Type.Object(Object.fromEntries(PROBE_IDS.map((id) => [id, oneOf(probeOf(id).answers, id)])), {
        additionalProperties: false,
      }),
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
      const [source, into] = [SOURCES[call.source], EVERY_INPUT[call.input]];
      const path = findPath(source, into, parts);
      const says = say(pathMessage(path, source, into));
      const isGood = path !== null && (path.verdict === "works" || path.verdict === "worksIfSet");
      const named = (list: readonly { id: string; name: string }[]) => list.map(({ id, name }) => ({ id, name }));
      // Why a cable in the kit that fits the sockets is the wrong one.
      const misses = nearMisses(source, into, parts).map(({ part, says: why }) => ({ id: part.id, says: say(why) }));
      return {
        result: path && {
          verdict: path.verdict,
          parts: named(path.parts),
          missing: named(path.missing),
          settings: path.settings.map(({ device, setting }, at) => ({
            device,
            ...setting,
            says: placedWords(path.settings[at]!),
          })),
          because: path.because.map((each) => ({ ...each, says: say(each) })),
          wrongCables: misses,
          says,
        },
        finding: isGood ? null : says,
      };
    },
  },
  trouble: {
    says: "what a link's trouble can be, by its symptom and what was tried, and what to try next",
    schema: TroubleCall,
    example: {
      source: "lavSelf",
      input: "phone",
      symptom: "far",
      answers: { taps: "device", seated: "yes" },
    } satisfies Static<typeof TroubleCall>,
    run(input) {
      const call = input as Static<typeof TroubleCall>;
      const setup = genericSetup(SOURCES[call.source], INPUTS[call.input]);
      if (!setup) return { result: null, finding: say(pathMessage(null, SOURCES[call.source], INPUTS[call.input])) };
      const story = { symptom: call.symptom, answers: call.answers, skipped: [], ruledOut: [] };
      const { causes, next } = diagnose(setup, story);
      const together = (messages: readonly AnyMessage[]) => messages.map(say).join(" ");
      const named = causes.map((ids) => {
        const { says, cure } = causeMessages(setup, ids);
        return { faults: ids, says: together(says), cure: together(cure) };
      });
      const probe = next && {
        id: next,
        asks: say(questionOf(setup, next)),
        answers: Object.fromEntries(probeOf(next).answers.map((id) => [id, ANSWER_NAMES[id]])),
      };
      return {
        result: { causes: named, next: probe },
        finding: causes.length === 0 ? say({ code: "trouble.noCause" }) : null,
      };
    },
  },
};
