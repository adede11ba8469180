import type { Chemistry, PowerCatalogue } from "../../core/power";
import type { Templates } from "../templates";
import { clock, list } from "./words";

type Lasting = PowerCatalogue["power.oneSet"];
type Swaps = PowerCatalogue["power.change"]["swaps"];

const lasts = ({ name, hours }: Lasting): string => `${name}: a set lasts ${hours.toFixed(hours < 3 ? 1 : 0)} h`;

function bankWords({ bank }: Lasting): string {
  if (!bank) return "";
  const feeds = ` The power bank feeds ${list(bank.feeds)}`;
  return bank.emptyAtMin === null ? `${feeds}.` : `${feeds} and is empty at ${clock(bank.emptyAtMin)}.`;
}

const changes = (swaps: Swaps): string => list(swaps.map(({ title, atMin }) => `${title} at ${clock(atMin)}`));

const HELPS: Record<PowerCatalogue["power.tooShort"]["helps"], string> = {
  mainsOrBank: "Use mains or a power bank",
  mainsOrLargerBank: "Use mains or a larger power bank",
  strongerCells: "Use stronger cells, or change them in the middle",
};

export const power: Templates<PowerCatalogue> = {
  "power.oneSet": (facts) => `${lasts(facts)}. One set is enough for the day.${bankWords(facts)}`,
  "power.change": (facts) => `${lasts(facts)}. Change it before ${changes(facts.swaps)}.${bankWords(facts)}`,
  "power.tooShort": (facts) =>
    `${lasts(facts)}, too short for ${facts.use} with a fifth in reserve. ${HELPS[facts.helps]}.${bankWords(facts)} Change it during ${changes(facts.swaps)}.`,
};

export const CHEMISTRY_NAMES: Record<Chemistry, string> = {
  alkaline: "alkaline",
  nimh: "NiMH, rechargeable",
  lithium: "lithium, not rechargeable",
  liIon: "lithium-ion, rechargeable",
};
