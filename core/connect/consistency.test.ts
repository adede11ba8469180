import fc from "fast-check";
import { runs } from "../../fixtures/runs";
import { INPUTS, PACK_INPUTS, PARTS, SOURCES, type Input, type Source } from "../devices";
import { findPath, type FoundPath, MOST_PARTS } from "./findPath";
import { nearMisses } from "./nearMisses";

const sources: readonly Source[] = Object.values(SOURCES);
const inputs: readonly Input[] = [...Object.values(INPUTS), ...Object.values(PACK_INPUTS)];

/** Any source into any input with any bag. */
const always = (
  holds: (path: FoundPath, asked: { source: Source; input: Input; owned: ReadonlySet<string> }) => void,
) =>
  fc.assert(
    fc.property(
      fc.constantFrom(...sources),
      fc.constantFrom(...inputs),
      fc.subarray(PARTS.map(({ id }) => id)),
      (source, input, ids) => {
        const owned = new Set(ids);
        const path = findPath(
          source,
          input,
          PARTS.map((part) => ({ ...part, isOwned: owned.has(part.id) })),
        );
        if (path) holds(path, { source, input, owned });
      },
    ),
    { numRuns: runs(150, 10_000) },
  );

describe("of any cable (property)", () => {
  test("nothing is set on what is not on the way", () =>
    always(({ settings, parts }, { source, input }) => {
      const devices = new Set([source.name, input.name, ...parts.map(({ name }) => name)]);
      for (const { device, on } of settings) {
        expect(devices).toContain(device);
        if (typeof on === "number") expect(parts[on]!.name).toBe(device);
      }
    }));

  test("no switch is set both ways on one device", () =>
    always(({ settings }) => {
      const at = (code: string) => settings.filter(({ setting }) => setting.code === code).map(({ device }) => device);
      for (const device of at("setting.phantomOn")) expect(at("setting.phantomOff")).not.toContain(device);
      for (const device of at("setting.plugInOn")) expect(at("setting.plugInOff")).not.toContain(device);
    }));

  test("what works has nothing against it; what fails says why", () =>
    always(({ verdict, because, settings }) => {
      if (verdict === "works") expect([because, settings]).toEqual([[], []]);
      if (verdict === "silentlyWrong" || verdict === "damage") expect(because.length).toBeGreaterThan(0);
    }));

  test("what is missing is what is not owned, no chain is longer than one carries, and no part stands twice", () =>
    always(({ parts, missing }, { owned }) => {
      expect(missing.map(({ id }) => id)).toEqual(parts.map(({ id }) => id).filter((id) => !owned.has(id)));
      expect(parts.length).toBeLessThanOrEqual(MOST_PARTS);
      expect(new Set(parts.map(({ id }) => id)).size).toBe(parts.length);
    }));

  test("what harms is never called good: no phantom into what must not get it, no speaker's power into an input", () =>
    always(({ verdict, settings, parts }, { source, input }) => {
      if (verdict !== "works" && verdict !== "worksIfSet") return;
      if (source.carriage === "power") expect(parts.some(({ id }) => id === "speaker-di")).toBe(true);
      const codes = settings.filter(({ device }) => device === input.name).map(({ setting }) => setting.code);
      const isFed = parts.some(({ makesPlugIn }) => makesPlugIn);
      if (source.isHarmedByPhantom && !isFed) expect(codes).not.toContain("setting.phantomOn");
    }));

  test("a wrong cable is one that fits the sockets, and never the answer", () =>
    always(({ parts, verdict }, { source, input }) => {
      const misses = nearMisses(source, input, PARTS);
      expect(misses.length).toBeLessThanOrEqual(6);
      const [only] = parts;
      if (parts.length === 1 && (verdict === "works" || verdict === "worksIfSet"))
        expect(misses.map(({ part }) => part.id)).not.toContain(only!.id);
    }));
});
