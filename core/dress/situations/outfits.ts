import type { Accessory } from "../accessories";
import { FIRST_AIMS, PRESETS, type PresetId } from "../aims";
import { EXAMPLE_QUAY, exampleInput, type ExampleChange } from "../exampleInput";
import type { DressInput } from "../dressInput";
import { usualLayer, type Layer } from "../outfit";
import type { PackPlaceId } from "../../body";
import type { SiteId } from "../sites";
import type { BareDress, DressCatalogue } from "../messages";
import type { ReasonCatalogue } from "../reasons";

/** Somebody in an outfit and a scene, and what a recordist would say first. Common practice throughout. */
export interface Situation {
  name: string;
  why: string;
  input: DressInput;
  /** What must hold of the first answer; all that is given must. */
  first?: {
    zones?: readonly string[];
    notZones?: readonly string[];
    surfaces?: readonly string[];
    notMounts?: readonly string[];
    /** Sides of the wearer: −1 left, 0 centre, 1 right. */
    sides?: readonly (-1 | 0 | 1)[];
    sites?: readonly SiteId[];
    notSites?: readonly SiteId[];
    /** Reasons that must not be among its rules. */
    without?: readonly (keyof ReasonCatalogue)[];
    mostIntrusion?: number;
  };
  /** No candidate at all may be advised. */
  nothing?: true;
  /** Zones that must not be among the first five. */
  notInFive?: readonly string[];
  /** Zones in which there must be no place at all. */
  noneIn?: readonly string[];
  /** Reasons that must be named at a place, wherever it ranks. */
  names?: { at: SiteId; reasons: readonly (keyof ReasonCatalogue)[] };
  packs?: { at?: readonly PackPlaceId[]; notAt?: readonly PackPlaceId[]; reaches?: true; none?: true };
  /** What is answered to a wished pack place. */
  wish?: keyof DressCatalogue & `wish.${string}`;
  /** Steps that come in this order. */
  order?: readonly (keyof DressCatalogue)[];
  /** Cautions and steps that must be said. */
  says?: readonly (keyof DressCatalogue | BareDress)[];
}

export const shirt = usualLayer("shirt");
export const tee = usualLayer("tee");
export const blazer = usualLayer("blazer", { opening: "open" });
export const jumper = usualLayer("jumper");
export const SEEN = { performance: { mayBeSeen: true } } as const;
export const preset = (id: PresetId) => ({ aims: { ...FIRST_AIMS, preset: id, weights: PRESETS[id].weights } });
export const of = (layers: Layer[], worn: Accessory[] = [], change: ExampleChange = {}) =>
  exampleInput(layers, worn, change);

/** The half that the rules were made with. */
export const TUNED: readonly Situation[] = [
  {
    name: "a plain interview in a shirt, seen",
    why: "a clip on the chest; hair and hats are nobody's second choice",
    input: of([shirt], [], SEEN),
    first: { notZones: ["head"] },
    notInFive: ["head"],
  },
  {
    name: "a plain interview in a tee, hidden",
    why: "on the chest beneath the tee",
    input: of([tee]),
    first: { notZones: ["head"] },
    notInFive: ["head"],
  },
  {
    name: "a driver with a seat belt over a shirt",
    why: "a pad does not cure a strap: the place that it misses goes first",
    input: of([shirt], ["seatBelt"]),
    first: { without: ["why.seatBelt"] },
    says: ["caution.protective"],
  },
  {
    name: "a pendant in a V-neck",
    why: "the pendant strikes the middle of the chest, and nothing else is free: it comes off first",
    input: of([usualLayer("vneck")], ["necklace"]),
    order: ["help.necklaceOff", "step.ask"],
  },
  {
    name: "hair only where it is asked for: a stage costume",
    why: "a hairdresser is there",
    input: of([tee], [], { ...preset("stage"), performance: { faces: "round" } }),
    first: {},
  },
  {
    name: "agreed to nothing inside, a tee, may be seen",
    why: "what is left outside the clothes comes first",
    input: of([tee], [], { agreedTo: 0, ...SEEN }),
    first: { mostIntrusion: 0 },
    packs: { notAt: ["thigh", "smallOfBack", "ankle"] },
  },
  {
    name: "agreed to nothing inside, a tee, must be hidden",
    why: "nothing outside hides: a boom",
    input: of([tee], [], { agreedTo: 0 }),
    nothing: true,
  },
  {
    name: "a dress, agreed to inside clothing only",
    why: "a band round the thigh is more than inside clothing",
    input: of([usualLayer("dress")], [], { agreedTo: 1 }),
    packs: { notAt: ["thigh"] },
  },
  {
    name: "a chiffon blouse alone, hidden",
    why: "see-through is not thin: an edge, a seam, or outside",
    input: of([usualLayer("blouse", { fabric: "chiffon" })]),
    first: { without: ["why.seeThrough"] },
  },
  {
    name: "a safety harness over an overall",
    why: "its maker and the safety officer decide, wherever the capsule is",
    input: of([usualLayer("overall"), usualLayer("harness")]),
    first: { without: ["why.harnessCrosses"] },
    says: ["caution.protective"],
  },
  {
    name: "medical tape on the skin under a tee",
    why: "skin is prepared before any tape",
    input: of([tee]),
    order: ["step.ask", "step.wipe", "step.alcohol", "make.medical", "step.place", "step.loop", "step.live"],
  },
  {
    name: "a coat and a scarf on a windy quay",
    why: "in the warm folds, not on the forehead; the fur is on the capsule before it is placed",
    input: of([shirt, jumper, usualLayer("coat")], ["scarf"], { place: EXAMPLE_QUAY }),
    first: { notZones: ["head"] },
    notInFive: ["head"],
  },
];

/** The other half, written at the same time and looked at afterwards. */
export const HELD_OUT: readonly Situation[] = [
  {
    name: "an interview in shirt, tie and open jacket, seen",
    why: "tie or lapel; nothing on the head",
    input: of([shirt, blazer], ["tie"], SEEN),
    first: { notZones: ["head"] },
    notInFive: ["head"],
  },
  {
    name: "a lanyard at a fair, seen",
    why: "the pass swings over the middle of the chest",
    input: of([shirt, blazer], ["lanyard"], SEEN),
    first: { without: ["why.lanyard"] },
  },
  {
    name: "a shoulder bag over a jumper",
    why: "the strap rubs whatever the mount",
    input: of([shirt, jumper], ["bagStrap"]),
    first: { without: ["why.bagStrap"] },
  },
  {
    name: "a passenger with a belt over a hoodie",
    why: "the belt is never in the way, and nothing lies beneath it",
    input: of([usualLayer("hoodie")], ["seatBelt"]),
    first: { without: ["why.seatBelt"] },
    says: ["caution.protective"],
  },
  {
    name: "a lace dress, hidden",
    why: "the skin beneath lace is seen",
    input: of([usualLayer("dress", { fabric: "lace" })]),
    first: { without: ["why.seeThrough"] },
  },
  {
    name: "a life jacket on the water",
    why: "its maker and the safety officer decide",
    input: of([tee, usualLayer("lifeJacket")], [], { performance: { water: "rain" } }),
    says: ["caution.protective", "step.bagPack"],
  },
  {
    name: "a child who agreed to the outside only",
    why: "a clip, or a boom",
    input: of([tee], [], { person: { heightM: 1.1 }, agreedTo: 0, ...SEEN }),
    first: { mostIntrusion: 0 },
  },
  {
    name: "a wished pack at the ankle, a cable of 0.8 m",
    why: "the pack goes where the cable reaches",
    input: of([shirt], [], {
      packPlace: "ankle",
      capsule: { leadM: 0.8, diameterMm: 5, maxSplDb: 130, colours: ["black"] },
    }),
    packs: { notAt: ["ankle"], reaches: true },
  },
  {
    name: "a knitted cap in the snow, hidden in a parka",
    why: "the chest first: the cap was not asked for",
    input: of([shirt, jumper, usualLayer("parka")], ["beanie"], { place: EXAMPLE_QUAY }),
    first: { notZones: ["head"] },
  },
  {
    name: "a wedding guest in silk with a brooch",
    why: "no head place in the first five of a plain talk",
    input: of([usualLayer("blouse", { fabric: "silk" })], ["brooch"], SEEN),
    first: { notZones: ["head"] },
    notInFive: ["head"],
  },
  {
    name: "a wind cover",
    why: "built off the body, before the capsule is placed",
    input: of([shirt, jumper], [], { place: EXAMPLE_QUAY, performance: { mayBeSeen: true } }),
    order: ["step.fur", "step.place"],
  },
  {
    name: "hands that come to the chest as they talk",
    why: "no pad cures a hand",
    input: of([shirt, blazer], [], { performance: { mayBeSeen: true, handsOnChest: true } }),
    first: { notZones: ["head"] },
  },
];
