import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { filesInOrder } from "../core/planning";
import { clockWords, LONGEST_SCHEME, matchCard, NAME_FIELDS, nameBy, sameNames, schemeFault } from "../core/roll";
import { say } from "../messages";
import type { Calculator } from "./calculator";

const strict = { additionalProperties: false } as const;
const DAY_S = 86_400;

const MatchCall = Type.Object(
  {
    /** Takes as they were logged, seconds after midnight on the wall. */
    log: Type.Array(
      Type.Object(
        {
          id: Type.String({ minLength: 1, maxLength: 80 }),
          startS: Type.Number({ title: "Start", unit: "s", minimum: 0, maximum: 2 * DAY_S }),
          lengthS: Type.Union([
            Type.Number({ title: "Length", unit: "s", minimum: 0, maximum: 2 * DAY_S }),
            Type.Null(),
          ]),
        },
        strict,
      ),
      { maxItems: 2000 },
    ),
    /** Files of the card; startedAtS by the recorder's clock, null where it does not say. */
    files: Type.Array(
      Type.Object(
        {
          id: Type.String({ minLength: 1, maxLength: 200 }),
          lengthS: Type.Number({ title: "Length", unit: "s", minimum: 0, maximum: 2 * DAY_S }),
          startedAtS: Type.Union([
            Type.Number({ title: "Start", unit: "s", minimum: 0, maximum: 2 * DAY_S }),
            Type.Null(),
          ]),
        },
        strict,
      ),
      { maxItems: 2000 },
    ),
  },
  strict,
);

const NamesCall = Type.Object(
  {
    scheme: Type.String({ title: "Naming scheme", minLength: 1, maxLength: LONGEST_SCHEME }),
    takes: Type.Array(
      Type.Object(
        {
          shoot: Type.String({ maxLength: 120 }),
          day: Type.Integer({ minimum: 1, maximum: 365 }),
          date: Type.String({ format: "date" }),
          scene: Type.String({ maxLength: 120 }),
          slate: Type.String({ maxLength: 40 }),
          take: Type.Integer({ minimum: 1, maximum: 9999 }),
          counter: Type.Integer({ minimum: 0, maximum: 999_999 }),
          track: Type.Union([Type.String({ maxLength: 120 }), Type.Null()]),
        },
        strict,
      ),
      { minItems: 1, maxItems: 1000 },
    ),
  },
  strict,
);

/** Calculators of the log of takes. */
export const ROLL_CALCULATORS: Record<string, Calculator> = {
  match: {
    says: "a log of takes and the files of a card: what belongs together, how sure, and the recorder's clock",
    schema: MatchCall,
    example: {
      log: [
        { id: "1 take 1", startS: 34_200, lengthS: 61 },
        { id: "1 take 2", startS: 34_320, lengthS: 125 },
      ],
      files: [
        { id: "REC0007.wav", lengthS: 61.4, startedAtS: 34_247 },
        { id: "REC0008.wav", lengthS: 124.6, startedAtS: 34_367 },
      ],
    } satisfies Static<typeof MatchCall>,
    run(input) {
      const { log, files } = input as Static<typeof MatchCall>;
      const lines = log.toSorted((one, other) => one.startS - other.startS);
      const result = matchCard(lines, filesInOrder(files.map((file) => ({ ...file, name: file.id }))));
      const doubtful = result.matches.filter(({ isSure }) => !isSure).length;
      const isWhole = doubtful === 0 && result.linesLeft.length === 0;
      const sum = {
        ...{ code: "match.sum" as const, doubtful, files: files.length, takes: log.length },
        matched: result.matches.reduce((count, { lineIds }) => count + lineIds.length, 0),
      };
      return {
        result: { ...result, clock: { ...result.clock, says: clockWords(result.clock).map(say).join(" ") } },
        finding: isWhole ? null : say(sum),
      };
    },
  },
  names: {
    says: `names of files by a scheme of ${NAME_FIELDS.join(", ")}, and those that two takes would share`,
    schema: NamesCall,
    example: {
      scheme: "D{day}_{slate}-T{take:2}",
      takes: [
        {
          ...{ shoot: "Slack Water", day: 1, date: "2027-05-11", scene: "Interview", slate: "1A" },
          ...{ take: 3, counter: 41, track: null },
        },
      ],
    } satisfies Static<typeof NamesCall>,
    run(input) {
      const { scheme, takes } = input as Static<typeof NamesCall>;
      const fault = schemeFault(scheme);
      if (fault) return { result: null, finding: say(fault) };
      const names = takes.map((take) => nameBy(scheme, take));
      const shared = sameNames(names);
      const [twice] = shared;
      return {
        result: { names, shared },
        finding: twice === undefined ? null : say({ code: "scheme.clash", name: twice }),
      };
    },
  },
};
