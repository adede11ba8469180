import type { Aims } from "./aims";
import type { Fire } from "./judgement";
import type { RuleContext } from "./ruleContext";

/** Distance that parts the near school from the chest school, m. Common practice: 10–18 cm against 25–30 cm. */
const NEAR_UP_TO_M = 0.2;
/** Noise from which going near pays, dBA, and what a step of it is worth. Common practice. */
const NOISY_FROM_DB = 20;

/** Kinds of work with somebody to dress hair. Common practice. */
const STYLED: readonly Aims["preset"][] = ["hiddenDrama", "stage"];
export const hasHairdresser = ({ preset }: Aims): boolean => STYLED.includes(preset);

/** What the chosen schools hold against an option, in steps; nothing while a question is left to the program. */
export function schoolRules({ facts, site, placement, mount, port, sound }: RuleContext, fire: Fire): void {
  const { schools, preset } = facts.input.aims;
  const isNear = sound.straightDistanceM <= NEAR_UP_TO_M;
  if (schools.distance === "near" && !isNear) fire(1, () => ({ code: "why.schoolNear" }));
  if (schools.distance === "chest" && isNear && site.zone !== "head") fire(1, () => ({ code: "why.schoolChest" }));
  if (schools.distance === "auto" && !isNear && sound.snrDb < NOISY_FROM_DB)
    fire(0.3, () => ({ code: "why.noiseNear" }));
  if (schools.stickTo === "skin" && placement.surface === "inside") fire(0.8, () => ({ code: "why.schoolSkin" }));
  if (schools.stickTo === "garment" && placement.surface === "skin") fire(0.8, () => ({ code: "why.schoolGarment" }));
  if (schools.port === "down" && port !== "down") fire(0.4, () => ({ code: "why.schoolDown" }));
  if (schools.port === "mouth" && port !== "up") fire(0.4, () => ({ code: "why.schoolMouth" }));
  if (schools.port === "auto" && port === "side") fire(0.03, () => ({ code: "why.sideways" }));
  if (placement.surface === "hair" || site.anchor === "spectacles")
    fire(STYLED.includes(preset) ? 0.4 : 0.9, () => ({ code: "why.stylist" }));
  if (site.anchor === "collar") {
    if (schools.collar === "avoid") fire(1.5, () => ({ code: "why.schoolNoCollar" }));
    if (schools.collar === "welcome") fire(-0.8, () => ({ code: "why.schoolCollar" }));
  }
  if (schools.mount === "pads" && mount.id !== "pad" && placement.surface === "inside")
    fire(0.4, () => ({ code: "why.schoolPads" }));
  if (
    schools.mount === "triangles" &&
    mount.id !== "triangles" &&
    mount.id !== "pinned" &&
    placement.surface === "inside"
  )
    fire(0.4, () => ({ code: "why.schoolTape" }));
}
