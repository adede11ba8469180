import type { CheckCatalogue } from "../../core/check";
import { saidBy, type Templates } from "../templates";
import { originWords } from "./chain";
import { reasons } from "./reasons";
import { KIND_WORDS } from "./kinds";
import { length } from "./units";
import { count, figure, list, lowerFirst } from "./words";

const khz = (hz: number): string => `${hz / 1000} kHz`;
const db = (value: number): string => `${figure(value, 1)} dB`;
const channels = ({ one, other }: { one: number; other: number }): string => `Channels ${one + 1} and ${other + 1}`;

const becauseOf = saidBy(reasons);

export const check: Templates<CheckCatalogue> = {
  "kind.name": ({ kind }) => KIND_WORDS[kind].name,
  "kind.sounds": ({ kind }) => KIND_WORDS[kind].sounds,
  "kind.advice": ({ kind }) => KIND_WORDS[kind].advice,

  "finding.clippedAt": ({ runs }) => `Clipped at full scale, ${count(runs, "time", "times")}: loud syllables crackle.`,
  "finding.flatTops": ({ peakDbfs }) => `Flat tops at ${db(peakDbfs)}FS: something before the recorder overloads.`,
  "finding.overFullScale": ({ overDb }) => `Peaks exceed full scale by ${db(overDb)}; a float file keeps them.`,
  "finding.overCeiling": ({ peakDbfs, ceilingDbfs }) =>
    `Peaks reach ${db(peakDbfs)}FS, above the ceiling of ${db(ceilingDbfs)}FS.`,
  "finding.lowPeaks": ({ peakDbfs }) => `Peaks reach only ${db(peakDbfs)}FS.`,
  "finding.littleOverNoise": ({ snrDb }) => `The voice is only ${db(snrDb)} above the noise.`,
  "finding.offCentre": ({ percent }) => `DC offset: ${figure(percent, 1)} % of full scale.`,
  "finding.hum": ({ mainsHz, lines, underVoiceDb }) =>
    `Hum of ${mainsHz} Hz with ${count(lines, "line", "lines")}, ${db(underVoiceDb)} below the voice.`,
  "finding.whine": ({ nearHz, underVoiceDb }) =>
    `A steady tone near ${figure(nearHz)} Hz, ${db(underVoiceDb)} below the voice.`,
  "finding.bandEnds": ({ atHz }) => `The voice ends above ${figure(atHz)} Hz as if cut off.`,
  "finding.hiss": ({ underVoiceDb }) => `Hiss at 2 to 8 kHz, ${db(underVoiceDb)} below the voice.`,
  "finding.noiseRises": ({ byDb }) =>
    `The noise rises${byDb === null ? "" : ` by ${db(byDb)}`} in the pauses: automatic gain is on.`,
  "finding.lowsCut": () => "The lows are already cut.",
  "finding.crowdedPeaks": ({ percent }) =>
    `${figure(percent)} % of the loud peaks lie within 2 dB: a limiter holds them down.`,
  "finding.slowDecay": ({ dbPerS }) => `Phrases decay at only ${figure(dbPerS)} dB per second: the room is strong.`,
  "finding.sharpS": ({ overDb }) => `Sibilance is ${db(overDb)} above the level of the voice.`,
  "finding.dull": ({ underDb }) => `The voice at 2.5 to 6 kHz is ${db(underDb)} below its middle.`,
  "finding.boom": ({ overDb, isHighVoice }) =>
    `The voice at 125 to 250 Hz is ${db(Math.abs(overDb))} ${overDb < 0 ? "below" : "above"} its middle${
      isHighVoice ? ": much for so high a voice" : ""
    }.`,
  "finding.nothingRecorded": () => "Nothing is recorded on this channel.",
  "finding.stopsEarly": ({ missingS }) =>
    `The file stops ${figure(missingS, missingS < 10 ? 2 : 0)} s before its header says; what is there was measured.`,
  "finding.brokenSamples": ({ samples }) =>
    `${count(samples, "sample is", "samples are")} not a number, or beyond any level; taken as silence.`,
  "finding.sameSound": ({ apartDb, ...both }) =>
    `${channels(both)} are the same sound${apartDb < 0.05 ? "" : `, ${db(apartDb)} apart in level`}.`,
  "finding.oppositePolarity": (both) => `${channels(both)} hear one voice with opposite polarity.`,
  "finding.comesLate": ({ late, early, byMs }) =>
    `Channel ${late + 1} is ${figure(byMs, 1)} ms later than channel ${early + 1} throughout.`,
  "finding.otherFormat": ({ sampleRateHz, bits, isLossy, agreedHz, agreedBits }) =>
    `This is ${
      isLossy ? `a compressed file of ${khz(sampleRateHz)}` : `${khz(sampleRateHz)} and ${bits} bit`
    }; agreed: ${khz(agreedHz)} and ${agreedBits} bit.`,
  "finding.otherMicrophone": ({ heardAtM, isOnlyRoom, plannedM, underPlanDb, lacksCover }) =>
    `This may not be the microphone that was placed: ${list([
      ...(isOnlyRoom ? ["it has nothing but room"] : []),
      ...(heardAtM === null
        ? []
        : [`by its reverberation it is ${length(heardAtM)} away instead of ${length(plannedM)}`]),
      ...(underPlanDb === null ? [] : [`the voice is ${figure(underPlanDb)} dB less above the noise than planned`]),
      ...(lacksCover ? ["nothing of the cloth over it is heard"] : []),
    ])}.`,
  "finding.openButRoomy": ({ place, dbPerS }) =>
    `${place} is outdoors, and yet phrases decay at only ${figure(dbPerS)} dB per second.`,
  "finding.roomAsForecast": ({ place, reverberationS, distanceM }) =>
    `As forecast: ${place} has a reverberation time of ${figure(reverberationS, 1)} s, and ${length(distanceM)} is not close enough for it.`,
  "finding.longerReverberation": ({ place, reverberationS }) =>
    `Phrases decay more slowly than ${place} would let them by the forecast of ${figure(reverberationS, 1)} s: its reverberation is longer.`,
  "finding.moreRoom": ({ place, reverberationS, heardAtM, plannedM }) =>
    `More room than planned: ${place} has a reverberation time of ${figure(reverberationS, 1)} s, and this sounds ${
      heardAtM === null ? "far" : length(heardAtM)
    } away instead of ${length(plannedM)}.`,
  "finding.dullerThanPlanned": ({ byDb, site, takesDb }) =>
    `${figure(byDb)} dB duller than planned: ${site.toLowerCase()}, as dressed, takes ${figure(takesDb)} dB from the highs.`,
  "finding.dullAsPlanned": ({ site, takesDb }) =>
    `As dull as planned: ${site.toLowerCase()}, as dressed, takes ${figure(takesDb)} dB from the highs.`,
  "finding.levelSwings": ({ site, swingDb }) =>
    swingDb >= 3
      ? `At ${site.toLowerCase()} the level swings by ${figure(swingDb)} dB over the directions planned for this scene: this is that.`
      : `At ${site.toLowerCase()} the level swings by ${figure(swingDb)} dB over the directions planned for this scene; the head turned further, or the microphone moved.`,
  "finding.swapped": ({ pitchHz, holds, otherTrack, wanted }) =>
    `By its pitch of ${figure(pitchHz)} Hz this track holds ${holds}, and track ${otherTrack + 1} ${wanted}.`,
  "finding.asWritten": ({ text }) => text,

  "advice.turnDown": ({ byDb }) => `Turn it down by ${db(byDb)} or more: the next line may be louder.`,
  "advice.clothNearer": () => "Hang cloth round the set where the voice goes first, or use a place nearer the mouth.",
  "advice.clapThere": () => "Clap there in Scout, then plan this again.",
  "advice.lookAtMicrophone": () =>
    "Check whether the microphone has slipped, is turned away, or is the right one at all.",
  "advice.brightCap": () => "Use a bright cap under layers, a thinner layer over it, or a shelf in the edit.",
  "advice.asWritten": ({ text }) => text,

  "cause.planOver": ({ device, stage, overDb }) =>
    `${device}, ${stage.toLowerCase()}: the plan itself is ${figure(overDb)} dB over there.`,
  "cause.leastInHand": ({ device, stage, inHandDb }) =>
    `${device}, ${stage.toLowerCase()}: it has the least headroom, ${figure(inHandDb)} dB by the plan. The voice was that much louder, or a control is set above the card.`,
  "cause.placeNoise": ({ place }) => `By the plan most of it comes from ${place ?? "the place"}, not from the devices.`,
  "cause.deviceNoise": ({ origin }) => `By the plan most of it comes from ${originWords(origin)}.`,
  "cause.loudestDevice": ({ origin }) => `Of the devices, ${originWords(origin)} is the loudest by the plan.`,
  "cause.louderThanPlanned": ({ plannedDbfs }) =>
    `Planned peaks: ${figure(plannedDbfs)} dBFS. The voice was louder, or a control is set above the card.`,
  "cause.planNotClean": () => "The plan itself is not clean: see Level.",
  "cause.compareWithCard": ({ plannedDbfs }) =>
    `Planned peaks: ${figure(plannedDbfs)} dBFS. Compare the devices with the card.`,
  "cause.unbalanced": () =>
    "One cable on this way is unbalanced: keep it short and away from mains, or run on batteries.",
  "cause.allBalanced": () =>
    "All cables are balanced: look at mains supplies, and at what else is plugged into the same devices.",
  "cause.dress": ({ site, reason }) => `${site}: ${lowerFirst(becauseOf(reason))}`,
  "cause.pullOrHand": () => "A cable that pulls, or a hand: check the strain-relief loop first.",
  "cause.cover": ({ cover }) => `Over the capsule: ${cover}.`,
  "cause.nearMouth": ({ site, distanceM, offAxisDeg, cover }) =>
    `${site}, ${length(distanceM)} from the lips and ${Math.round(offAxisDeg)}° off them; over it: ${cover}.`,
  "cause.nearNose": ({ site, distanceM }) => `${site}, ${length(distanceM)} from nose and mouth.`,
  "cause.dropout": ({ radio }) =>
    ({
      none: "There is no radio on this way: look for a loose plug or a broken cable.",
      analogue: "A body or a wall between pack and antennas, a weak battery, or another carrier close to its own.",
      digital: "A digital link mutes where an analogue one would hiss: distance, a body in between, or a crowded band.",
    })[radio],
  "cause.radioNoise": ({ radio }) =>
    ({
      none: "There is no radio on this way: look for a loose plug or a broken cable.",
      analogue: "An analogue link hisses when its carrier is lost: a squelch set too low lets that through.",
      digital: "A digital link hardly ever bursts into noise: look for a plug that is half in.",
    })[radio],
  "cause.ownLevel": ({ recorder }) => `The ${recorder} sets its level by itself until it is told not to.`,
  "cause.compressed": () => "An automatic level or a heavy compressor in the recorder.",
  "cause.gap": ({ isComputer }) =>
    isComputer
      ? "The computer's buffer is too short, or something else kept it busy."
      : "The card is slow, or nearly full.",
  "cause.repeated": ({ isComputer }) =>
    isComputer
      ? "The computer's buffer is too short, or two interfaces run on their own clocks."
      : "Two devices run on their own clocks.",
  "cause.phantomOff": () => "Its microphone needs phantom power: is it on for this input?",
  "cause.followCable": () => "Follow the cable from the capsule on.",
  "cause.packMuted": () => "Pack on, not muted, on the receiver's frequency; then the cable to the input.",
  "cause.digitalDelay": () => "A digital link delays by some milliseconds, always the same.",
  "cause.fallsBack": ({ recorder }) =>
    `The ${recorder} falls back to its built-in microphone when a plug has too few poles, or an input is not chosen.`,
  "cause.builtInPair": () => "The recorder may still record its built-in pair: choose the input.",
  "cause.asWritten": ({ text }) => text,
};
