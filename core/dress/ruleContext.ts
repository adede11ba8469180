import type { Placement } from "./anchors";
import type { SiteSound } from "./hearing";
import type { Mount, Port } from "./mounts";
import type { SceneFacts } from "./sceneFacts";
import type { Site } from "./sites";
import type { WindCoverId } from "./windCover";

/** Everything the rules of the trade look at. */
export interface RuleContext {
  facts: SceneFacts;
  site: Site;
  placement: Placement;
  mount: Mount;
  port: Port;
  windCover: WindCoverId;
  sound: SiteSound;
}
