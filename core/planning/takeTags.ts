import { isCounted } from "../roll";
import { rateRatio, type Tags } from "../tags";
import { isDropRate } from "../timecode";
import type { ShootBundle, Stored } from "../records";
import { wallDate, wallSeconds } from "./rolling";

/** What a take's files are to say of it. */
export interface TakeWords {
  /** Labels of its marks, by what they are and what was noted. */
  labelOf: (mark: Stored<"mark">) => string;
  /** What it is called. */
  name: string;
}

const two = (value: number): string => String(Math.floor(value)).padStart(2, "0");

/**
 * Broadcast chunk, iXML and markers of a file of a take: scene, take, circled, note, tracks, marks that lie in it.
 *
 * @param fromS where the file begins in the take, and how long it is, s: takes may be in several files
 */
export function takeTags(
  bundle: ShootBundle,
  roll: Stored<"roll">,
  marks: readonly Stored<"mark">[],
  { labelOf, name }: TakeWords,
  part: { fromS: number; lengthS: number; sampleRateHz: number },
): Tags {
  const { body } = roll;
  const { title, frameRate } = bundle.shoot.body;
  const scene = bundle.scenes.find(({ id }) => id === body.sceneId);
  const startS = wallSeconds(body.startedAt, body.zoneMin) + part.fromS;
  const time = `${two(startS / 3600)}:${two((startS / 60) % 60)}:${two(startS % 60)}`;
  return {
    bext: {
      description: [name, scene?.body.title ?? "", body.note].filter(Boolean).join("; "),
      originator: "Hypophon",
      date: wallDate(body.startedAt, body.zoneMin),
      time,
    },
    ixml: {
      project: title,
      scene: body.slate || (scene?.body.title ?? ""),
      take: String(body.take),
      tape: `Day ${body.day}`,
      note: body.note,
      isCircled: body.rating === "good",
      isNoGood: body.rating === "noGood",
      isFalseStart: body.type === "falseStart",
      isWild: !isCounted(body.type) && body.type !== "falseStart",
      tracks: body.tracks.map((track, at) => ({ channel: at + 1, name: track.name })),
      frameRate: rateRatio(frameRate),
      isDrop: isDropRate(frameRate),
    },
    markers: marks
      .filter((mark) => !mark.body.isProposal)
      .map((mark) => ({ mark, atS: mark.body.atS - part.fromS }))
      .filter(({ atS }) => atS >= 0 && atS <= part.lengthS)
      .map(({ mark, atS }) => ({ atFrame: Math.round(atS * part.sampleRateHz), frames: 0, label: labelOf(mark) })),
  };
}
