/**
 * Cables: what becomes of a signal on the contacts of cables and adapters, whether it works at an input, and the best way
 * through a bag of parts for one link or for all of them.
 */
export { allocate, partsOf, type Ways } from "./allocate";
export { findPath, type FoundPath } from "./findPath";
export { PATH_VERDICTS, begun, carriedOn, judgePath, type Carried, type PathVerdict } from "./judgePath";
export { pathMessage } from "./kit";
export { nearMisses, type NearMiss } from "./nearMisses";
export type { ConnectCatalogue, ConnectMessage } from "./messages";
export { countOf, ownInputs, ownLeads, ownLike, ownSources, stockOf, type Stock } from "./ownKit";
