import { type Criterion, explain, WIND_COVERS } from "../dress";
import type { Cause, Finding, FindingKind } from "../check";
import type { DressedAt, Expected } from "./expected";

/** What is likeliest behind a finding in this talent's chain; null where the chain says nothing about it. Common practice. */
type CauseOf = (expected: Expected) => Cause | null;

/** What Dress holds most against the chosen place by one criterion. */
export function heldAgainst(dressed: DressedAt | null, criterion: Criterion): Cause | null {
  if (!dressed) return null;
  const reason = explain(dressed.candidate, dressed.plan).find((each) => each.criterion === criterion);
  const [worst] = [...(reason?.rules ?? [])].sort((one, other) => other.steps - one.steps);
  if (!worst || worst.steps <= 0.1) return null;
  return { code: "cause.dress", site: dressed.candidate.site.name, reason: worst.says };
}

const byDress =
  (criterion: Criterion, otherwise: CauseOf = () => null): CauseOf =>
  (expected) =>
    heldAgainst(expected.dressed, criterion) ?? otherwise(expected);

/** The first stage before the file that would clip, and how much it has in hand by the plan. */
const firstToClip: CauseOf = ({ plan }) => {
  const [tightest] = plan.stages
    .filter(({ id, headroomDb }) => id !== "file" && headroomDb !== null)
    .sort((one, other) => one.headroomDb! - other.headroomDb!);
  if (!tightest) return null;
  const inHandDb = tightest.headroomDb!;
  const named = { device: tightest.device, stage: tightest.name };
  return inHandDb < 0
    ? { code: "cause.planOver", ...named, overDb: -inHandDb }
    : { code: "cause.leastInHand", ...named, inHandDb };
};

const loudestNoise: CauseOf = ({ plan, room }) => {
  const [first] = plan.noiseSources;
  if (!first) return null;
  return first.isPlace
    ? { code: "cause.placeNoise", place: room?.name ?? null }
    : { code: "cause.deviceNoise", origin: first.origin };
};

const onAir =
  (code: "cause.dropout" | "cause.radioNoise"): CauseOf =>
  ({ way }) =>
    way && { code, radio: way.radio };

const compareWithCard: CauseOf = ({ plan }) => ({ code: "cause.compareWithCard", plannedDbfs: plan.peakDbfs });

const CAUSES: Partial<Record<FindingKind, CauseOf>> = {
  clipped: ({ plan }) =>
    plan.isClean ? { code: "cause.louderThanPlanned", plannedDbfs: plan.peakDbfs } : { code: "cause.planNotClean" },
  tooHot: compareWithCard,
  tooLow: compareWithCard,
  overloadedEarlier: firstToClip,
  limited: firstToClip,
  noisy: loudestNoise,
  hiss: ({ plan }) => {
    const device = plan.noiseSources.find(({ isPlace }) => !isPlace);
    return device ? { code: "cause.loudestDevice", origin: device.origin } : null;
  },
  hum: ({ way }) => ({ code: way?.isUnbalanced ? "cause.unbalanced" : "cause.allBalanced" }),
  rustle: byDress("rustle"),
  knock: byDress("holding", () => ({ code: "cause.pullOrHand" })),
  wind: byDress("weather", ({ dressed }) =>
    dressed ? { code: "cause.cover", cover: WIND_COVERS[dressed.candidate.windCover].name } : null,
  ),
  plosive: ({ dressed }) => {
    if (!dressed) return null;
    const { site, sound, windCover } = dressed.candidate;
    const { distanceM, offAxisDeg } = sound;
    return { code: "cause.nearMouth", site: site.name, distanceM, offAxisDeg, cover: WIND_COVERS[windCover].name };
  },
  breath: ({ dressed }) =>
    dressed
      ? {
          ...{ code: "cause.nearNose", site: dressed.candidate.site.name },
          distanceM: dressed.candidate.sound.distanceM,
        }
      : null,
  sibilant: byDress("tone"),
  muffled: byDress("tone"),
  boomy: byDress("tone"),
  headTurn: byDress("steady"),
  dropout: onAir("cause.dropout"),
  contactLost: onAir("cause.dropout"),
  radioNoise: onAir("cause.radioNoise"),
  pumping: ({ way }) =>
    way && /phone|camera|computer/.test(way.recorderKind)
      ? { code: "cause.ownLevel", recorder: way.recorderKind }
      : { code: "cause.compressed" },
  gap: ({ way }) => ({ code: "cause.gap", isComputer: way?.recorderKind === "computer" }),
  repeated: ({ way }) => ({ code: "cause.repeated", isComputer: way?.recorderKind === "computer" }),
  silent: ({ way }) => ({
    code: way?.hasPhantomMic ? "cause.phantomOff" : way?.radio === "none" ? "cause.followCable" : "cause.packMuted",
  }),
  delayed: ({ way }) => (way?.radio === "digital" ? { code: "cause.digitalDelay" } : null),
  ownMicrophone: ({ way }) =>
    way?.hasOwnMic ? { code: "cause.fallsBack", recorder: way.recorderKind } : { code: "cause.builtInPair" },
};

/** The finding with what is likeliest behind it in this talent's chain. */
export function withCause(finding: Finding, expected: Expected): Finding {
  const cause = CAUSES[finding.kind]?.(expected) ?? null;
  return cause === null ? finding : { ...finding, cause };
}
