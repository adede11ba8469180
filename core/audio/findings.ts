import { isOverloadedEarlier } from "./clipping";
import type { ChannelReading } from "./channelMeter";
import type { Finding } from "./measurement";

/** Speech peaks above this are too hot, dBFS. Common practice. */
const CEILING_DBFS = -6;
/** Peaks below this waste what the recorder can do, dBFS. Common practice. */
const LOW_PEAK_DBFS = -30;
/** Speech less than this over the noise is hard to use, dB. Common practice. */
const NOISY_SNR_DB = 20;
const VERY_NOISY_SNR_DB = 12;
const DC_LIMIT = 0.01;
/** Anything quieter than this all through is a dead channel, dBFS. */
const SILENT_PEAK_DBFS = -70;

const db = (value: number) => `${value.toFixed(1).replace("-", "−")} dB`;

/** What stands out in one channel's reading. */
export function channelFindings(
  reading: ChannelReading,
  channel: number,
  format: { sampleRateHz: number; durationS: number; isFloat: boolean },
): Finding[] {
  const findings: Finding[] = [];
  const whole = { channel, startS: 0, endS: format.durationS };
  const { clipping } = reading;

  if (reading.samplePeakDbfs < SILENT_PEAK_DBFS) {
    findings.push({
      ...whole,
      kind: "silent",
      severity: "fault",
      confidence: 1,
      message: "Nothing is recorded on this channel.",
      advice: "Tap the microphone and follow the lead: pack muted, wrong input, or cable out.",
    });
    return findings;
  }
  if (clipping.fullScaleRuns > 0)
    for (const place of clipping.places)
      findings.push({
        channel,
        startS: place.startFrame / format.sampleRateHz,
        endS: place.endFrame / format.sampleRateHz,
        kind: "clipped",
        severity: "fault",
        confidence: place.runs > 1 ? 1 : 0.8,
        message: `Clipped at full scale, ${place.runs} ${place.runs === 1 ? "time" : "times"}: the loud syllables crackle.`,
        advice: "Turn it down and record this line again; clipping cannot be repaired.",
      });
  else if (isOverloadedEarlier(clipping, reading.samplePeak))
    for (const place of clipping.places)
      findings.push({
        channel,
        startS: place.startFrame / format.sampleRateHz,
        endS: place.endFrame / format.sampleRateHz,
        kind: "overloadedEarlier",
        severity: "fault",
        confidence: place.runs > 2 ? 0.95 : 0.7,
        message: `Flat tops at ${db(reading.samplePeakDbfs)}FS: something before the recorder overloads.`,
        advice: "Lower the transmitter's sensitivity; the recorder's gain cannot cure this.",
      });
  else if (format.isFloat && reading.samplePeakDbfs > 0)
    findings.push({
      ...whole,
      kind: "overFullScale",
      severity: "warning",
      confidence: 1,
      message: `Peaks pass full scale by ${db(reading.samplePeakDbfs)}; a float file keeps them.`,
      advice: "Turn the file down before any other step in the edit, and the gain down for the next take.",
    });
  else if (reading.truePeakDbtp > CEILING_DBFS)
    findings.push({
      ...whole,
      kind: "tooHot",
      severity: "warning",
      confidence: 1,
      message: `Peaks reach ${db(reading.truePeakDbtp)}FS, over the ceiling of ${db(CEILING_DBFS)}FS.`,
      advice: `Turn down ${db(reading.truePeakDbtp - CEILING_DBFS)} or more: the next line may be louder.`,
    });
  if (reading.samplePeakDbfs < LOW_PEAK_DBFS)
    findings.push({
      ...whole,
      kind: "tooLow",
      severity: "warning",
      confidence: 1,
      message: `Peaks reach only ${db(reading.samplePeakDbfs)}FS.`,
      advice: "Raise the transmitter's sensitivity first, then the receiver's output, then the recorder.",
    });
  if (Number.isFinite(reading.snrDb) && reading.snrDb < NOISY_SNR_DB)
    findings.push({
      ...whole,
      kind: "noisy",
      severity: reading.snrDb < VERY_NOISY_SNR_DB ? "fault" : "warning",
      confidence: reading.speechActivity < 0.97 ? 0.9 : 0.6,
      message: `The voice stands only ${db(reading.snrDb)} above the noise.`,
      advice: "Stop the noise or come closer: more gain lifts both alike.",
    });
  if (Math.abs(reading.dcOffset) > DC_LIMIT)
    findings.push({
      ...whole,
      kind: "dcOffset",
      severity: "note",
      confidence: 1,
      message: `The wave sits ${(Math.abs(reading.dcOffset) * 100).toFixed(1)} % off centre.`,
      advice: "A low cut in the edit removes it; an input that does this may be faulty.",
    });
  return findings;
}
