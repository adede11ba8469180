import type { DressMessage } from "./messages";
import { PACK_PLACES } from "./packPlaces";
import type { Candidate } from "./planDress";

/** Words for the wearer who places the microphone themselves: no trade terms, one thing a line. */
export function selfPlacementSteps({ site, placement, mount, pack, port }: Candidate): DressMessage[] {
  const where = site.name.charAt(0).toLowerCase() + site.name.slice(1);
  const steps: DressMessage[] = [{ code: "self.this" }];
  if (site.ridesOnHead) steps.push({ code: "self.hold", where });
  else if (placement.surface === "outside") steps.push({ code: "self.clip", where, isDown: port === "down" });
  else steps.push({ code: "self.inside", where });
  if (placement.surface === "skin" && mount.usesAdhesive !== "none") steps.push({ code: "self.skinTape" });
  else if (placement.surface === "skin") steps.push({ code: "self.band" });
  else if (placement.surface === "inside") steps.push({ code: "self.pad" });
  steps.push(site.ridesOnHead ? { code: "self.cableNeck" } : { code: "self.cableSide" });
  if (pack) steps.push({ code: "self.pack", place: PACK_PLACES[pack.place].name });
  steps.push({ code: "self.live" });
  return steps;
}
