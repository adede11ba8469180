import { type Finding, type RecordingMeasurement, type Review, standing } from "../check";
import { findingsAgainstPlan } from "./againstPlan";
import type { Planned } from "./correction";
import type { Expected } from "./expected";
import type { Redress } from "./messages";
import { redressFor } from "./redress";
import { likelyChannel, provePlan, type Assessment } from "./assessment";

/** A take seen with all that was planned for it. */
export interface JudgedTake {
  verdict: Assessment;
  /** All findings of the channel and of the file, dismissed ones too. */
  findings: readonly Finding[];
  /** Another place for the microphone, where what was found asks for one. */
  redress: Redress | null;
}

/** The channel of a wearer: their track where a file has one for everybody in the scene, else the one with most speech. */
export function channelOfTake({ tracks, track }: Expected, measurement: RecordingMeasurement): number {
  const hasTrackEach = tracks.length > 1 && measurement.channels.length === tracks.length;
  return hasTrackEach && track >= 0 ? track : likelyChannel(measurement);
}

/** Judges one channel of a take by its plan; what somebody has dismissed does not count. */
export function judgeTake(
  planned: Planned,
  expected: Expected,
  measurement: RecordingMeasurement,
  channel: number,
  reviews: readonly Review[],
): JudgedTake {
  const findings = findingsAgainstPlan(expected, measurement, channel);
  const counted = standing(findings, reviews);
  return {
    verdict: provePlan(planned, expected.plan, measurement, channel, counted),
    findings,
    redress: redressFor(
      counted,
      measurement.channels[channel]?.counts ?? {},
      measurement.format.durationS,
      expected.dressed,
    ),
  };
}
