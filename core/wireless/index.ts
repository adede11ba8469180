/**
 * RF: regions, systems, scans, intermodulation, coordination and spares, link budgets.
 */
export { airJson, airRows, airTable } from "./airExport";
export { airFormFaults, airPlanFaults, withoutForbidden } from "./airFaults";
export { AirLink, AirPlan, BY_LEAD, FIRST_AIR_PLAN, MOST_LINKS } from "./airPlan";
export { airProblem, type WantedLink } from "./airProblem";
export { AirRules, USUAL_RULES, toUnits } from "./airRules";
export { coordinator, firstFit } from "./coordinate";
export { bindingOf, coordinateAir, withTuned, type AirProgress, type CoordinatedAir } from "./coordinateAir";
export { bindingMessage, coordinationMessages } from "./coordinationMessages";
export { exactSearch } from "./exactSearch";
export { carriersOf, judgeAir, prepareAir, type AirFaults, type PreparedAir } from "./judgeAir";
export {
  BODIES,
  RangeWish,
  budgetMessage,
  congestionOf,
  diversityM,
  latencyMessage,
  linkBudget,
  whipM,
  type Bodies,
  type Network,
} from "./linkBudget";
export type { AirCatalogue, AirMessage, RefusedLinkMessage, ScanMessage, WirelessCatalogue } from "./messages";
export type { OnAir } from "./moments";
export { PackedScan, packScan, unpackScan } from "./packedScan";
export { conflictMessage, conflictsOf, productsWithin, type Carrier } from "./products";
export { AllowedRange, EXAMPLE_REGIONS, Region, regionFaults, whyForbidden } from "./region";
export type { Binding } from "./remedy";
export { Scan, ScanRefusal, UNMEASURED_DBM, binScan, levelNear, readScan, takenParts } from "./scan";
export { simulatedScan } from "./scanner";
export { GENERIC_SYSTEMS, RadioSystem, bankMessage, canTune, choicesOf, countBanks, presetName } from "./systems";
