import type { WirelessCatalogue } from "../../core/wireless";
import { saidBy, type Templates } from "../templates";
import { length } from "./units";
import { count, figure } from "./words";

const megahertz = (frequencyMHz: number): string => `${frequencyMHz.toFixed(3)} MHz`;
const kilohertz = (offKHz: number): string => `${figure(offKHz, offKHz % 1 === 0 ? 0 : 1)} kHz`;
const product = (formula: string, victim: string, offKHz: number): string =>
  offKHz === 0 ? `${formula} lands on ${victim}` : `${formula} lands ${kilohertz(offKHz)} from ${victim}`;
const metres = (reachM: number): string => (reachM >= 1000 ? `more than ${length(1000)}` : `about ${length(reachM)}`);
const late = ({ latencyMs, frames, frameRate }: { latencyMs: number; frames: number; frameRate: number }): string =>
  `${latencyMs} ms late: ${figure(frames, 2)} frames at ${frameRate} fps`;

const RULES: Record<WirelessCatalogue["air.limit"]["rule"], string> = {
  spacing: "the spacing",
  thirdOrder: "the third-order spacing",
  fifthOrder: "the fifth-order spacing",
  lockedLinks: "the locked links",
  occupiedOrForbidden: "the occupied and forbidden ranges",
};

export const wireless: Templates<WirelessCatalogue> = {
  "conflict.spacing": ({ one, other, offKHz, guardKHz }) =>
    `${one} and ${other} are ${kilohertz(offKHz)} apart, closer than ${figure(guardKHz)} kHz`,
  "conflict.twoThird": ({ makers, victim, offKHz }) => product(`2 × ${makers[0]} − ${makers[1]}`, victim, offKHz),
  "conflict.fifth": ({ makers, victim, offKHz }) => product(`3 × ${makers[0]} − 2 × ${makers[1]}`, victim, offKHz),
  "conflict.threeThird": ({ makers, victim, offKHz }) =>
    product(`${makers[0]} + ${makers[1]} − ${makers[2]}`, victim, offKHz),

  "forbidden.frequency": ({ frequencyMHz, region }) =>
    `${megahertz(frequencyMHz)} is not allowed in ${region}. Choose within its ranges and steps.`,
  "forbidden.power": ({ powerMw, allowedMw, frequencyMHz }) =>
    `${powerMw} mW is more than the ${allowedMw} mW allowed at ${megahertz(frequencyMHz)}. Lower the power.`,
  "forbidden.allTaken": ({ system }) => `every channel of ${system} that is allowed here is occupied in the scan.`,
  "forbidden.noneAllowed": ({ system, region }) => `no channel of ${system} is allowed in ${region}.`,
  "forbidden.systemPower": ({ system, powerMw, allowedMw }) =>
    `${system} transmits ${powerMw} mW, and at most ${allowedMw} mW is allowed on its channels. Lower the power.`,
  "forbidden.tuning": ({ system, frequencyMHz }) => `${system} cannot be tuned to ${megahertz(frequencyMHz)}.`,
  "forbidden.systemGone": () => "its system was deleted. Choose another.",
  "forbidden.occupied": ({ frequencyMHz, isLocked }) =>
    `the scan shows another transmitter at ${megahertz(frequencyMHz)}.${isLocked ? " The link is locked there." : ""}`,

  "air.refusedLink": ({ link, because }) => `${link}: ${part(because)}`,
  "air.lockedConflict": ({ conflict }) =>
    `Locked links conflict with each other: ${part(conflict)}. Unlock one of them, or use them at different times.`,
  "air.nothing": () => "There is nothing to coordinate.",
  "air.placed": ({ placed, wanted, isWhole, isProved, widening, except }) => {
    const placedAll = wanted === 1 ? "The link has a frequency" : `All ${wanted} links have a frequency`;
    const says =
      placed === wanted ? placedAll : `${placed} of ${wanted} ${wanted === 1 ? "link has" : "links have"} a frequency`;
    if (!isWhole) return `${says}. ${isProved ? "More are not possible." : "A longer search may find more."}`;
    if (widening === 1) return `${says}.`;
    const others = except && except.more > 0 ? `, and ${except.more} more like it` : "";
    const exception = except ? `, except between locked links (${part(except.conflict)}${others})` : "";
    return `${says}, with all spacings ${widening} times as wide as asked${exception}.`;
  },
  "air.bySchedule": () => "This relies on the schedule: not all may be on at once.",
  "air.limit": ({ rule, wouldFit, isProved }) =>
    isProved
      ? `The limit is ${RULES[rule]}: without it, ${count(wouldFit, "link", "links")} would have a frequency.`
      : `Without ${RULES[rule]}, a short search finds ${count(wouldFit, "frequency", "frequencies")}.`,
  "air.endsBelow": ({ system, fromMHz }) => `${system} must end above ${fromMHz} MHz.`,
  "air.rangeEndsBelow": ({ range, fromMHz }) => `Range ${range} must end above ${fromMHz} MHz.`,
  "air.tooManyChannels": ({ system, channels, most }) =>
    `${system} would have ${channels} channels, and ${most} can be searched. Use larger steps or a smaller range.`,
  "banks.none": () => "No channel of any bank is free. Scan elsewhere, or use another system.",
  "banks.free": ({ bank, free, of, other }) =>
    `Bank ${bank}: ${free} of ${of} channels free${other ? `; bank ${other.bank} has ${other.free}` : ""}.`,

  "range.good": ({ marginDb, reachM }) => `Good: ${figure(marginDb)} dB in reserve, and it reaches ${metres(reachM)}.`,
  "range.usable": ({ reachM }) => `Just enough: it reaches ${metres(reachM)}. Walk the ground and listen.`,
  "range.short": ({ missingDb, reachM, isWorn }) =>
    `It breaks up: ${figure(missingDb)} dB short, and it reaches ${metres(reachM)}. ${
      isWorn ? "Give the antennas a clear line of sight." : "Bring the receiver closer, or raise its antennas."
    }`,
  "latency.unseen": (facts) => `${late(facts)}. Nobody sees that, but mixed with a wired mic it causes comb filtering.`,
  "latency.seen": (facts) => `${late(facts)}. Delay the wired mics by as much, or line it up in the edit.`,

  "scan.rowFigures": ({ row, line }) => `row ${row}, "${line}": a frequency and a level were expected`,
  "scan.rowFrequency": ({ row, line }) => `row ${row}, "${line}": a frequency is above 0`,
  "scan.rowLevel": ({ row, line, leastDbm, mostDbm }) =>
    `row ${row}, "${line}": a level lies between ${figure(leastDbm)} and ${figure(mostDbm)} dBm`,
  "scan.read": ({ rows, unit, ignored, firstFault }) =>
    `${count(rows, "row", "rows")} in ${unit}.${
      firstFault ? ` ${count(ignored, "row was", "rows were")} skipped (${part(firstFault)}).` : ""
    }`,
  "scan.unreadable": () => "The file could not be read.",
  "scan.tooManyRows": ({ most }) => `The scan has more than ${most} rows. Scan a smaller range, or in larger steps.`,
  "scan.none": ({ firstFault }) =>
    `No scan was found in the file. Rows like "470.025, -98" were expected${firstFault ? ` (${part(firstFault)})` : ""}.`,
  "scan.unit": ({ fromMHz, toMHz, unit }) =>
    `Read as ${unit}, the frequencies run from ${fromMHz.toPrecision(4)} to ${toMHz.toPrecision(4)} MHz. Name the unit in a heading: "frequency_MHz,level_dBm".`,
};

const part = saidBy(wireless);
