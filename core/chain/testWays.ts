import { PARTS } from "../connect/catalogue";
import { INPUTS, SOURCES, type InputId, type SourceId } from "../connect/devices";
import { findPath } from "../connect/findPath";
import { type RecorderInput } from "./devices";
import { genericFigures } from "./genericDevices";
import { levelsOfInput } from "./inputLevels";
import { soundAt, type SoundIn } from "./soundIn";
import type { Effort } from "../voice/speechSpectrum";
import type { MicLevels, Way } from "./wayStages";

/** For tests: a lavalier, a hand mic and a mic on a stand. */
export const TEST_LAV: MicLevels = { ...genericFigures("lav"), name: "lavalier", isTypical: true };
export const TEST_CONDENSER: MicLevels = {
  name: "small cardioid",
  sensitivityMvPerPa: 14,
  selfNoiseDba: 16,
  maxSplDb: 135,
  isTypical: true,
};

/** A way by the best leads there are, for tests. */
export function testWay(
  sourceId: SourceId,
  inputId: InputId,
  own: Partial<Way> = {},
  figures: RecorderInput | null = null,
): Way {
  const source = SOURCES[sourceId];
  const input = INPUTS[inputId];
  const isRadio = source.kind === "receiver";
  const isFeed = source.kind === "desk" || source.kind === "speaker";
  return {
    mic: isFeed ? null : source.kind === "mic" ? TEST_CONDENSER : TEST_LAV,
    radio: isRadio ? { pack: genericFigures("pack"), receiver: genericFigures("receiver"), isTypical: true } : null,
    source,
    parts: findPath(source, input, PARTS)?.parts ?? [],
    input,
    levels: levelsOfInput(input, figures),
    ...own,
  };
}

/** Voices at some distance, m, in front, over a noise, dBA; for tests. */
export const testSound = (distanceM: number, loudest: Effort = "raised", noiseDba = 35, offsetDb = 0): SoundIn =>
  soundAt({ distanceM, offsetDb, softest: "soft", usual: "normal", loudest, noiseDba });
