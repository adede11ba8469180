import type { Remedy } from "../../core/noise";
import type { Templates } from "../templates";
import { REMEDY_WORDS } from "./place";
import { area } from "./units";
import { clock, count, figure, list, upperFirst } from "./words";

/** The first line of a station: how things stand there. Levels in dB, dBFS and dBA, times in minutes; things by name. */
export type VerdictCatalogue = {
  "pickup.none": object;
  "pickup.hide": { hiddenSti: number; name: string; sti: number };
  "pickup.best": { name: string; isOpen: boolean; overDb: number; sti: number };
  "levels.clips": { stage: string; overDb: number };
  "levels.peaks": { peakDbfs: number; ceilingDbfs: number };
  "levels.room": { stage: string; headroomDb: number; wouldClip: "nobody" | "unknown" | { effort: string } };
  "levels.voiceFits": { voice: string; peakDbfs: number };
  "levels.voiceClips": { voice: string; stage: string; overDb: number };
  "frequencies.nobody": object;
  "frequencies.missing": { missing: number; of: number };
  "frequencies.own": object;
  "frequencies.good": { count: number };
  "cables.heardOnly": object;
  "cables.missing": { names: readonly string[] };
  "cables.works": object;
  "cables.worksIfSet": object;
  "cables.silentlyWrong": object;
  "cables.damage": object;
  "noise.best": { source: string; remedy: Remedy; gainDb: number; afterDba: number };
  "noise.bestOnce": { source: string; remedy: Remedy };
  "noise.tone": { level: number; isCalibrated: boolean; humHz: readonly number[]; trendDbPerMin: number };
  "quiet.noScene": object;
  "quiet.order": { finishMin: number };
  "caution.exampleRegion": { region: string };
  "caution.location": object;
  "scan.notYet": object;
  "scan.inUse": { scan: string };
  "range.figures": { link: string; receivedDbm: number; neededDbm: number; whip: string; apart: string };
  "place.how": { mount: string; where: string; port: string; windCover: string | null };
  "range.assumed": { place: string };
  "range.battery": { hours: number };
  "range.caution": object;
  "power.lasts": { count: number; isRest: boolean };
  "power.caution": object;
  "power.mains": object;
  "day.recorder": { tracks: number; megabytesPerH: number; hoursOn32: number };
  "place.tapeEdges": object;
  "place.surfaces": { floor: string; ceiling: string; walls: string; height: string };
  "ears.limits": object;
  "dress.noPlace": object;
  "trouble.noCause": object;
  "pack.none": object;
  "pack.reaches": { place: string; needed: string; spare: string };
  "pack.extension": { place: string; needed: string; short: string; extension: string };
  "pack.tooFar": { place: string; needed: string; short: string };
  "day.onePair": object;
  "day.noCells": object;
  "day.cells": { cells: readonly { count: number; chemistry: string; volts: number }[] };
};

const clear = (sti: number): string => `${Math.round(100 * sti)} % clear`;

export const verdicts: Templates<VerdictCatalogue> = {
  "pickup.none": () => "No microphone can be placed for this picture but what they wear.",
  "pickup.hide": ({ hiddenSti, name, sti }) =>
    `Hide a lavalier: ${clear(hiddenSti)}. Next best is the ${name}: ${clear(sti)}.`,
  "pickup.best": ({ name, isOpen, overDb, sti }) =>
    `${upperFirst(name)}: ${clear(sti)}, the voice ${figure(Math.abs(overDb))} dB ${overDb >= 0 ? "above" : "below"} the ${
      isOpen ? "noise" : "room"
    }.`,
  "levels.clips": ({ stage, overDb }) =>
    `The ${stage} clips: the loudest line is ${figure(overDb)} dB above what it takes.`,
  "levels.peaks": ({ peakDbfs, ceilingDbfs }) =>
    `Peaks reach ${figure(peakDbfs)} dBFS, above the ceiling of ${figure(ceilingDbfs)} dBFS.`,
  "levels.room": ({ stage, headroomDb, wouldClip }) =>
    `The ${stage} would clip first, ${figure(headroomDb)} dB above the loudest line.${
      wouldClip === "unknown"
        ? ""
        : wouldClip === "nobody"
          ? " They never get that loud."
          : ` ${upperFirst(wouldClip.effort)} would clip it.`
    }`,
  "levels.voiceFits": ({ voice, peakDbfs }) =>
    `At these settings ${voice} peaks at ${figure(peakDbfs)} dBFS, and nothing clips.`,
  "levels.voiceClips": ({ voice, stage, overDb }) =>
    `At these settings ${voice} clips first at the ${stage}, by ${figure(overDb)} dB.`,
  "frequencies.nobody": () => "Nobody is on the air.",
  "frequencies.missing": ({ missing, of }) => `${missing} of ${count(of, "link", "links")} without a frequency.`,
  "frequencies.own": () => "All at 2.4 GHz: they choose their own channels.",
  "frequencies.good": (facts) =>
    facts.count === 1 ? "The frequency is clear." : `All ${facts.count} frequencies are compatible.`,
  "cables.heardOnly": () => "Monitoring only: nothing to connect.",
  "cables.missing": ({ names }) => `Not in the kit: ${list(names)}.`,
  "cables.works": () => "It works.",
  "cables.worksIfSet": () => "It works, once this is set.",
  "cables.silentlyWrong": () => "It fails without a warning.",
  "cables.damage": () => "It can do damage.",
  "noise.best": ({ source, remedy, gainDb, afterDba }) =>
    `${upperFirst(source)}: ${REMEDY_WORDS[remedy].name}. That lowers the noise by ${figure(gainDb)} dB, to ${figure(afterDba)} dBA.`,
  "noise.bestOnce": ({ source, remedy }) => `${upperFirst(source)}: ${REMEDY_WORDS[remedy].name}.`,
  "noise.tone": ({ level, isCalibrated, humHz, trendDbPerMin }) =>
    `${figure(level)} ${isCalibrated ? "dBA" : "dBFS, A-weighted and not calibrated"}. ${
      humHz.length > 0 ? `Mains hum at ${list(humHz.map(String))} Hz.` : "No mains hum."
    } ${
      Math.abs(trendDbPerMin) < 1
        ? "The level is steady."
        : `It ${trendDbPerMin > 0 ? "rises" : "falls"} by ${figure(Math.abs(trendDbPerMin))} dB a minute.`
    }`,
  "quiet.noScene": () => "No scene fits into the quiet of that day.",
  "quiet.order": ({ finishMin }) => `Done by ${clock(finishMin)} in this order.`,
  "caution.exampleRegion": ({ region }) =>
    `${region} is only an example. Licences and bands differ by country: follow the regulator's list.`,
  "caution.location": () =>
    "Ask before you record on somebody's ground. Levels that were not measured are estimates. Whoever is in charge of house power and machines switches them.",
  "scan.notYet": () => "Not scanned yet: everything that the region allows counts as free.",
  "scan.inUse": ({ scan }) => `In use: ${scan}.`,
  "range.figures": ({ link, receivedDbm, neededDbm, whip, apart }) =>
    `${link}: received level ${figure(receivedDbm)} dBm, required level ${figure(neededDbm)} dBm. Whip ${whip}; diversity antennas at least ${apart} apart, upright and in sight of the pack.`,
  "place.how": ({ mount, where, port, windCover }) =>
    `${upperFirst([mount, where, `port ${port}`, windCover ? `under ${windCover}` : ""].filter(Boolean).join(", "))}.`,
  "range.assumed": ({ place }) => `Taken as the diagonal of the ${place}.`,
  "range.battery": ({ hours }) => `The pack runs for about ${hours} h: fresh batteries at call time and at lunch.`,
  "range.caution": () => "An estimate from free space, bodies and a reserve for fading. Walk the ground and listen.",
  "power.lasts": (facts) =>
    facts.isRest
      ? `The other ${count(facts.count, "device lasts", "devices last")} the day on one set.`
      : `${count(facts.count, "device lasts", "devices last")} the day on one set.`,
  "power.mains": () =>
    "Use house mains only through the venue's technician: no home-made adapters, no lifted safety earth, no cable that anybody can trip over.",
  "day.recorder": ({ tracks, megabytesPerH, hoursOn32 }) =>
    `${count(tracks, "track", "tracks")} at most. One track takes ${figure(megabytesPerH)} MB an hour, and 32 GB hold ${figure(hoursOn32)} h of all of them. The plan allows half as much again as is wanted. Format cards only in the recorder, after a verified copy.`,
  "place.tapeEdges": () =>
    `A blanket covers ${area(3)}, a rug ${area(4)}, a curtain ${area(5)}. Tape down every edge that people walk over.`,
  "place.surfaces": ({ floor, ceiling, walls, height }) =>
    `Floor: ${floor}. Ceiling: ${ceiling}. Walls: ${walls}. Height: ${height}.`,
  "power.caution": () =>
    "A fifth is kept in reserve. The shares for cold and load are from memory: know your own cells.",
  "ears.limits": () =>
    "Limits: 85 dBA for 8 h a day (NIOSH) and 80 dBA for 40 h a week (WHO). Each 3 dB more halves the time. If your ears ring, stop and ask a doctor.",
  "dress.noPlace": () => "No place on this outfit works. Plan a boom.",
  "trouble.noCause": () =>
    "No known cause fits all of that. Change one thing at a time, starting at the mic: capsule, pack, cable, input, card.",
  "pack.none": () => "No place for the pack in this outfit.",
  "pack.reaches": ({ place, needed, spare }) => `Pack: ${place}. The cable needs ${needed}: coil the spare ${spare}.`,
  "pack.extension": ({ place, needed, short, extension }) =>
    `Pack: ${place}. The cable needs ${needed} and is ${short} short: use the ${extension} extension.`,
  "pack.tooFar": ({ place, needed, short }) =>
    `Pack: ${place}. The cable needs ${needed} and is ${short} short: carry the pack closer.`,
  "day.onePair": () =>
    "One assistant rigs one person after the other. Everybody is ready ten minutes before the camera rolls.",
  "day.noCells": () => "Nothing runs on batteries on this day.",
  "day.cells": ({ cells }) =>
    `Bring ${list(cells.map((each) => `${each.count} × ${each.chemistry}, ${each.volts} V`))}.`,
};
