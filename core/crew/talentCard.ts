import type { Candidate, cautionsOf, selfPlacementSteps } from "../dress";
import type { Consent, ShootBody } from "../records";

/** What a talent's link shows: their own scene and placement, and nothing of anybody else. */
export interface TalentCard {
  name: string;
  shoot: string;
  units: ShootBody["units"];
  clock: ShootBody["clock"];
  scene: { title: string; day: number; startsAt: string } | null;
  answer: Consent["answer"];
  /** Null where no placement is possible yet. */
  placement: {
    site: string;
    mount: string;
    intrusion: Candidate["intrusion"];
    minutes: number;
    steps: ReturnType<typeof selfPlacementSteps>;
    cautions: ReturnType<typeof cautionsOf>;
  } | null;
}
