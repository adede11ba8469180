import { type Criterion, explain, WIND_COVERS } from "../dress";
import type { Finding, FindingKind } from "../check";
import type { DressedAt, Expected } from "./expected";
import { clipText } from "../schema";

/** What is likeliest behind a finding in this wearer's chain; null where the chain says nothing about it. Common practice. */
type Cause = (expected: Expected) => string | null;

/** What Dress holds most against the chosen place by one criterion. */
export function heldAgainst(dressed: DressedAt | null, criterion: Criterion): string | null {
  if (!dressed) return null;
  const reason = explain(dressed.candidate, dressed.plan).find((each) => each.criterion === criterion);
  const [worst] = [...(reason?.rules ?? [])].sort((one, other) => other.steps - one.steps);
  if (!worst || worst.steps <= 0.1) return null;
  return `${dressed.candidate.site.name}: ${worst.says.charAt(0).toLowerCase()}${worst.says.slice(1)}`;
}

const byDress =
  (criterion: Criterion, otherwise: Cause = () => null): Cause =>
  (expected) =>
    heldAgainst(expected.dressed, criterion) ?? otherwise(expected);

/** The first stage before the file that would clip, and how much it has in hand by the plan. */
const firstToClip: Cause = ({ plan }) => {
  const [tightest] = plan.stages
    .filter(({ id, headroomDb }) => id !== "file" && headroomDb !== null)
    .sort((one, other) => one.headroomDb! - other.headroomDb!);
  if (!tightest) return null;
  const inHand = tightest.headroomDb!;
  return inHand < 0
    ? `${tightest.device}, ${tightest.name.toLowerCase()}: the plan itself is ${(-inHand).toFixed(0)} dB over there.`
    : `${tightest.device}, ${tightest.name.toLowerCase()}: it has least in hand, ${inHand.toFixed(0)} dB by the plan. A voice that much louder, or a knob above the card.`;
};

const loudestNoise: Cause = ({ plan, room }) => {
  const [first] = plan.noiseSources;
  if (!first) return null;
  return first.isPlace
    ? `By the plan most of it comes from ${room?.name ?? "the place"}, not from the devices.`
    : `By the plan most of it comes from ${first.name}.`;
};

const onAir =
  (analogue: string, digital: string): Cause =>
  ({ way }) => {
    if (!way) return null;
    if (way.radio === "none") return "There is no radio on this way: look for a loose plug or a broken lead.";
    return way.radio === "analogue" ? analogue : digital;
  };

const CAUSES: Partial<Record<FindingKind, Cause>> = {
  clipped: ({ plan }) =>
    plan.isClean
      ? `Planned were peaks of ${plan.peakDbfs.toFixed(0).replace("-", "−")} dBFS: a louder voice than planned, or a knob above the card.`
      : "The plan itself is not clean: see Level.",
  tooHot: ({ plan }) =>
    `Planned were peaks of ${plan.peakDbfs.toFixed(0).replace("-", "−")} dBFS: compare the devices with the card.`,
  tooLow: ({ plan }) =>
    `Planned were peaks of ${plan.peakDbfs.toFixed(0).replace("-", "−")} dBFS: compare the devices with the card.`,
  overloadedEarlier: firstToClip,
  limited: firstToClip,
  noisy: loudestNoise,
  hiss: ({ plan }) => {
    const device = plan.noiseSources.find(({ isPlace }) => !isPlace);
    return device ? `Of the devices ${device.name} is the loudest by the plan.` : null;
  },
  hum: ({ way }) =>
    way?.isUnbalanced
      ? "A lead of this way is not balanced: keep it short and away from mains, or run on batteries."
      : "All leads are balanced: look at mains supplies and at what else is plugged into the same devices.",
  rustle: byDress("rustle"),
  knock: byDress("holding", () => "A lead that pulls, or a hand: the strain-relief loop first."),
  wind: byDress("weather", ({ dressed }) =>
    dressed ? `Over the capsule: ${WIND_COVERS[dressed.candidate.windCover].name}.` : null,
  ),
  plosive: ({ dressed }) =>
    dressed
      ? `${dressed.candidate.site.name}, ${Math.round(dressed.candidate.sound.distanceM * 100)} cm from the lips and ${Math.round(dressed.candidate.sound.offAxisDeg)}° off them; over it: ${WIND_COVERS[dressed.candidate.windCover].name}.`
      : null,
  breath: ({ dressed }) =>
    dressed
      ? `${dressed.candidate.site.name}, ${Math.round(dressed.candidate.sound.distanceM * 100)} cm from nose and mouth.`
      : null,
  sibilant: byDress("tone"),
  muffled: byDress("tone"),
  boomy: byDress("tone"),
  headTurn: byDress("steady"),
  dropout: onAir(
    "A body or a wall between pack and antennas, a weak battery, or another carrier near its own.",
    "A digital link mutes where an analogue one would hiss: distance, a body in between, or a crowded band.",
  ),
  radioNoise: onAir(
    "An analogue link hisses when its carrier is lost: squelch set too low lets it through.",
    "A digital link hardly bursts into noise: look for a plug that is half in.",
  ),
  pumping: ({ way }) =>
    way && /phone|camera|computer/.test(way.recorderKind)
      ? `The ${way.recorderKind} sets its level by itself until it is told not to.`
      : "An automatic level or a deep compressor in the recorder.",
  gap: ({ way }) =>
    way?.recorderKind === "computer"
      ? "The computer's buffer is too short, or something else kept it busy."
      : "The card is slow or nearly full.",
  repeated: ({ way }) =>
    way?.recorderKind === "computer"
      ? "The computer's buffer is too short, or two interfaces run on clocks of their own."
      : "Two devices run on clocks of their own.",
  silent: ({ way }) =>
    way?.hasPhantomMic
      ? "Its microphone needs phantom power: is it on for this input?"
      : way?.radio === "none"
        ? "Follow the lead from the capsule on."
        : "Pack on, not muted, on the receiver's frequency; then the lead to the input.",
  delayed: ({ way }) =>
    way?.radio === "digital" ? "A digital link delays by some milliseconds, always the same." : null,
  ownMicrophone: ({ way }) =>
    way?.hasOwnMic
      ? `The ${way.recorderKind} falls back to its own microphone when a plug has too few poles or an input is not chosen.`
      : "The recorder may still record its built-in pair: choose the input.",
};

/** The finding with what is likeliest behind it in this wearer's chain. */
export function withCause(finding: Finding, expected: Expected): Finding {
  const cause = CAUSES[finding.kind]?.(expected) ?? null;
  return cause === null ? finding : { ...finding, cause: clipText(cause, 400) };
}
