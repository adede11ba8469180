import type { AntennaCode, DressCatalogue, DressMessage, DressReason, Spot } from "../../core/dress";
import type { Templates } from "../templates";
import { CLOSURE_NAMES, reasons } from "./reasons";
import { length } from "./units";
import { list, lowerFirst } from "./words";

const PORTS: Record<Spot["port"], string> = { up: "up, to the mouth", side: "sideways", down: "down" };

const reasonWords = (reason: DressReason): string => (reasons[reason.code] as (facts: DressReason) => string)(reason);

/** A message within another. */
const nested = (message: DressMessage): string => (dress[message.code] as (facts: DressMessage) => string)(message);

function spotWords({ site, surface, cloth, closure }: Spot): string {
  const beside =
    closure === null ? "" : closure === "buttons" ? ", between two buttons" : `, beside the ${CLOSURE_NAMES[closure]}`;
  const name = `${lowerFirst(site)}${beside}`;
  const of = cloth && `${cloth.fabric} of the ${cloth.garment}`;
  if (surface === "skin") return `${name}, on the skin`;
  if (surface === "inside" && of) return `${name}, stuck to the inside of the ${of}`;
  return surface === "outside" ? `${name}, on the outside of the ${of}` : name;
}

export const dress: Templates<DressCatalogue> = {
  "port.why": ({ port }) =>
    `Port ${PORTS[port]}: ${port === "down" ? "breath and drops pass over it" : "nothing blows into it here"}.`,
  "no.bareSkin": () => "Nothing closes over it: on bare skin it would be seen.",
  "no.watertight": () => "No cable and no tape in a watertight suit: a hole would break the seal.",
  "no.bibHangs": () => "A bib hangs too loose there: use its top edge.",
  "no.bodiceTight": () => "A bodice lies tight there: use its top edge.",
  "no.tie": () => "There is no tie.",
  "no.tieCollar": () => "There is a tie but no collar to wear it on.",
  "no.bowTie": () => "There is no bow tie.",
  "no.bowTieCollar": () => "There is a bow tie but no collar to wear it on.",
  "no.frontClosure": () => "No garment here has a button or zip front.",
  "no.hangsOpen": () => "The front hangs open: close a button or zip to hold it.",
  "no.plainNeckline": () => "No garment here has a plain neckline to hold it.",
  "no.lapels": () => "There is no jacket with lapels.",
  "no.shirtCollar": () => "There is no shirt collar.",
  "no.tieBetween": () => "The tie sits between the collar points.",
  "no.topEdge": () => "There is no dress, corset or low top edge.",
  "no.bra": () => "No bra or swimwear is among the layers.",
  "no.straps": () => "It has no straps.",
  "no.headgearOnHair": () => "Headgear sits on the hair: build it into the liner.",
  "no.helmetBand": () => "The helmet's band presses on the hairline.",
  "no.hatOnHairline": () => "The hat sits on the hairline: use its brim.",
  "no.earDefenders": () => "The ear defenders press there.",
  "no.safetyHelmet": () => "A safety helmet must not be altered: ask the safety officer and its maker.",
  "no.headgear": () => "There is no helmet or hood.",
  "no.bib": () => "There is no apron or bib.",
  "no.shoulderStrap": () => "There is no strap at the shoulder.",
  "no.breastPocket": () => "There is no breast pocket.",
  "no.hoodCord": () => "There is no hood with a cord.",
  "no.scarf": () => "There is no scarf.",
  "no.brooch": () => "There is no brooch.",
  "no.drape": () => "There is no wrapped or draped cloth.",
  "no.hat": () => "There is no hat.",
  "no.packTooHeavy": ({ massG, mostG }) =>
    `The pack weighs ${Math.round(massG)} g: over ${mostG} g slips from under a hat or wig.`,
  "no.knittedCap": () => "There is no knitted cap.",
  "no.spectacles": () => "There are no spectacles.",
  "no.spectacleArm": () => "The ear defenders press on the spectacle arm.",
  "no.shutIn": () => "The closed hood keeps the voice in: only its inside hears it.",
  "no.sealedCloth": ({ fabric }) => `No tape holds inside ${fabric}, and it shuts the voice out.`,
  "no.supply": ({ supply }) => `There is no ${supply} in the kit.`,
  "no.allergic": () => "Allergic to tape: nothing is stuck to the skin.",
  "no.sweatingSkin": () => "Tape does not hold on sweating skin: use the garment.",
  "no.wetSkin": () => "Tape does not hold on wet skin.",
  "no.pinOnSkin": () => "No pin where the cloth lies on the skin.",
  "no.pinThrough": ({ fabric }) => `No pin through ${fabric}.`,
  "no.tapeOn": ({ fabric }) => `Tape does not hold on ${fabric}.`,
  "no.under": ({ what }) => `Nothing goes under the ${what}.`,
  "no.floods": () => "It floods there: above the water, or not on the body at all.",
  "no.wetCloth": () => "Tape does not hold on wet cloth.",
  "no.hair": () => "There is no hair to hide it in.",
  "no.shortHair": () => "Short hair hides nothing at the side of the head.",
  "no.hairCovered": ({ by }) => `The ${by} covers the hair.`,
  "no.cravat": () => "There is no cravat.",
  "no.headscarf": () => "There is no headscarf.",
  "no.turban": () => "There is no turban.",
  "no.crown": () => "There is no crown.",
  "no.hood": () => "There is no hood.",
  "no.onTheBack": ({ what }) => `The ${what} presses it into their back.`,
  "no.leansBack": () => "They lean on it.",
  "no.wheelchair": () => "There is no wheelchair.",
  "caution.bodyRadio": () =>
    "Keep microphone, cable and pack a hand's breadth from the body radio: it transmits. Ask whether it may be switched off for the take.",
  "caution.mask": () => "Never lift or pierce a mask: its seal matters more than the sound.",
  "caution.hearing": () =>
    "Keep packs, magnets and cables away from the hearing aid or implant, and ask what disturbs it.",
  "caution.child": () =>
    "A child: ask the child and the guardian, who stays with them. The lightest pack, nothing hard.",
  "caution.water": () =>
    "Water: nothing that pulls under or catches. Whoever is responsible for safety at the water decides.",
  "caution.cords": () => "Nothing round the neck that does not come free by itself.",
  "next.because": ({ site, because }) =>
    because
      ? `${site} comes second: ${lowerFirst(reasonWords(because))}`
      : `${site} comes second: there is hardly any difference.`,
  "next.beyondConsent": ({ site }) => `${site} goes further than was agreed.`,
  "next.struck": ({ site }) => `${site} comes second: something strikes it there.`,
  "next.lastResort": ({ site }) => `${site} comes second: hair and hats only where the chest is ruled out.`,
  "wish.refused": ({ place, because }) => `Not at the ${place}: ${lowerFirst(nested(because))}`,
  "wish.beyondConsent": ({ place }) => `Not at the ${place}: that goes further than was agreed.`,
  "wish.supply": ({ place, supply }) => `Not at the ${place} without ${supply}.`,
  "wish.short": ({ place, byM, extensions, extensionM }) =>
    `The cable is ${length(byM)} short for the ${place}: ${extensions === 1 ? "an extension" : `${extensions} extensions`} of ${length(extensionM)} would reach.`,
  "no.protective": ({ garment }) => `Not on the ${garment}: its maker and the safety officer decide.`,
  "caution.headgear": () =>
    "Protective headgear: nothing may hinder sight, breathing or release. Its maker and the safety officer decide.",
  "caution.skin": () =>
    "Ask about allergies and skin conditions first. Use new tape for every person, and peel it off along the skin.",
  "caution.pin": () => "The pin goes through cloth only, never against the skin.",
  "caution.wrap": () => "Two fingers must fit under the wrap: nothing tight round the chest.",
  "caution.protective": ({ names }) =>
    `Keep clear of the ${list(names)}: nothing is fixed to it or in its way. Its maker and the safety officer decide.`,
  "caution.offer": () => "Offer to let them place it themselves.",
  "no.waistband": () => "There is no waistband in this outfit.",
  "no.toolBelt": () => "The tool belt knocks on it.",
  "no.harness": () => "The harness crosses the waist.",
  "no.sitOnIt": () => "They sit on it.",
  "no.backPocket": () => "There is no back pocket.",
  "no.innerPocket": () => "There is no jacket with an inside pocket.",
  "no.bibPocket": () => "There is no bib with a pocket.",
  "no.bareArms": () => "Bare arms would show it.",
  "no.underWater": () => "It would be under water.",
  "no.useWaist": () => "Trousers or a closed suit: use the waist.",
  "no.worksLoose": () => "It works loose when walking.",
  "no.nothingHides": () => "Nothing hides it there.",
  "antenna.upright": () => "Antenna upright, not bent under the belt.",
  "antenna.alongSpine": () => "Antenna along the spine, a layer of cloth between it and the skin.",
  "antenna.outOfPocket": () => "Antenna out of the pocket and free.",
  "antenna.outward": () => "Antenna towards the outside, away from phone and keys.",
  "antenna.upOutOfPocket": () => "Antenna up and out of the pocket.",
  "antenna.upArm": () => "Antenna up, on the outer side of the arm.",
  "antenna.downOutward": () => "Antenna down and outwards, cloth between it and the skin.",
  "antenna.offMetal": () => "Antenna upright, away from the metal of the chair.",
  "antenna.inHat": () => "Antenna round the inside of the brim, not folded on itself.",
  "antenna.upLeg": () => "Antenna up the outside of the leg.",
  "no.plainSight": () => "In plain sight, and this shot must not show it.",
  "cannot.straplessLapels": ({ garment }) => `A strapless ${garment} has no lapels.`,
  "cannot.closedLapels": ({ garment }) => `A ${garment} that does not open has no lapels.`,
  "cannot.opens": ({ garment }) => `A ${garment} does not open at the front.`,
  "cannot.collar": ({ garment }) => `A ${garment} has no collar.`,
  "cannot.neckwear": ({ neckwear }) => `A ${neckwear} needs a shirt with a collar.`,
  "cannot.twoTies": () => "A tie or a bow tie, not both.",
  "cannot.twoHats": () => "One thing on the head at a time.",
  "cannot.twoSuits": () => "Two closed suits cannot be worn one over the other.",
  "unknown.scouted": () => "The place is not scouted: a living room is assumed.",
  "unknown.voice": () => "Deep or light voice?",
  "unknown.allergy": () => "Allergic to tape?",
  "unknown.hair": () => "Hair on the chest?",
  "help.takeOff": ({ garment }) => `Take the ${garment} off`,
  "help.capsule": ({ colour }) => `Use a ${colour} capsule`,
  "help.get": ({ supply }) => `Get ${supply}`,
  "help.show": () => "Let it be seen in this shot",
  "help.close": ({ garment }) => `Close the ${garment}`,
  "help.open": ({ garment }) => `Open the ${garment}`,
  "help.undoButton": ({ garment }) => `Undo a button of the ${garment}`,
  "help.closeHalf": ({ garment }) => `Close the ${garment} half way`,
  "help.tieOff": () => "Take the tie off",
  "help.bowTieOff": () => "Take the bow tie off",
  "help.scarfOff": () => "Take the scarf off",
  "help.necklaceOff": () => "Take the necklace off or change it",
  "help.lanyardOff": () => "Take the lanyard off while rolling",
  "help.broochOff": () => "Move the brooch",
  "help.hatOff": () => "Take the hat off",
  "help.capOff": () => "Take the cap off",
  "help.hairOff": () => "Tie the hair back",
  "help.bagOff": () => "Put the bag down for the take",
  "help.toolBeltOff": () => "Take the tool belt off for the take",
  "help.rucksackOff": () => "Put the rucksack down for the take",
  "help.chestStrapOff": () => "Undo the chest strap of the rucksack",
  "help.cravatOff": () => "Take the cravat off",
  "help.stethoscopeOff": () => "Take the stethoscope off for the take",
  "help.earringsOff": () => "Take the earrings off",
  "help.veilBack": () => "Turn the veil back",
  "make.clip": () => "Open the clip and pass the cable through its jaw twice, with a small loop behind.",
  "make.triangles": () =>
    "Fold two strips corner over corner, sticky side out, into two triangles. Put the capsule between them, its port free.",
  "make.pinned": () =>
    "Fold two triangles round the capsule, port free, and put a safety pin through the corner of one.",
  "make.pad": () => "Seat the capsule in the pad so that its tip peeks out, and back the pad with double-sided tape.",
  "make.felt": () =>
    "Put one piece of felt beneath the capsule, and one on top as a tent with a small pocket for the port.",
  "make.medical": () =>
    "Put medical tape on the skin first, double-sided tape on that, then the capsule, and a second medical strip over the cable: never over the port.",
  "make.wrap": () =>
    "Wrap once round the chest, close it, and tuck the felted capsule under the edge. Two fingers must fit beneath.",
  "make.hairClip": () => "Tie the cable to two hair clips, close under the roots, the capsule just out of the hair.",
  "make.headPad": () => "Put a pad of felt under the edge at the forehead, and the capsule on it with its port free.",
  "make.tied": () => "Tie capsule and cable with thread in three places, no knot over the port.",
  "cable.outOfHeadgear": () =>
    "Run the cable out at the base of the headgear with a short pigtail and a plug, so that it comes off in one pull; from there take the extension over the shoulder. Nothing round the neck, no hole in what must stay closed.",
  "cable.overShoulder": () =>
    "Run the cable over the shoulder and down the back, so that the shoulder carries the weight and not the cloth.",
  "cable.behindEdge": () =>
    "Take the cable behind the edge and inside at once, to the side and round; never straight down the front.",
  "cable.inside": () =>
    "Run the cable inside, to the side and round; never straight down the front, where bending pulls it.",
  "cable.alongEdge": () => "Run the cable along the inside of the edge to the side, and round to the back.",
  "cable.behindEar": () =>
    "Run the cable behind the ear, down the nape and the back; leave slack at the nape for the head to turn.",
  "thread.weight": () => "Let the smooth weight fall inside, then draw the cable through: quicker than hands.",
  "thread.rod": () => "Feed the cable through with a thin rod rather than with hands.",
  "off.mute": () => "Mute the pack first.",
  "off.peelSkin": () => "Peel slowly along the skin, never away from it; offer to let them do it themselves.",
  "off.peelCloth": () => "Peel the tape off the cloth the same day.",
  "off.throwAway": () => "Throw used tape away; clean the capsule and holder with a wipe before the next person.",
  "step.ask": ({ where }) =>
    `Say where it goes: ${where ?? "at what they wear on the head"}. Ask; offer a private place, a second person, or to let them do it themselves.`,
  "step.wipe": () => "Wipe the capsule and the holder clean.",
  "step.alcohol": () => "Wipe the skin with alcohol and let it dry, before they sweat.",
  "step.loopBehindClip": () => "Leave the loop behind the clip: it takes tugs.",
  "step.anchor": () => "Anchor the cable below the loop, on cloth, so that the capsule carries no weight.",
  "step.tapeRun": () => "Tape the run inside the jacket in two places.",
  "step.bagPack": () => "Bag the pack against water, cable downwards; keep a dry spare capsule at hand.",
  "step.leastSensitive": () =>
    "Use the least sensitive capsule and the lowest transmitter gain; test with shouting before the day.",
  "step.tieUp": () => "Tape down cord ends, zip pulls and anything else that can strike it.",
  "step.live": () => "Tell them it is live. Listen while they turn, bend and say the loudest line.",
  "step.place": (spot) => `Place it: ${spotWords(spot)}, port ${PORTS[spot.port]}. Tape never covers the port.`,
  "step.loop": ({ loopM, slackM }) =>
    `Make a loose loop of ${length(loopM)} close to the capsule, tied so that it can slip, and leave ${length(slackM)} of slack.`,
  "step.stickDown": ({ what }) => `Stick the inside of the ${what} down with a triangle just below, with slack.`,
  "step.pack": ({ place, slackM, spareM, antenna }) =>
    `Pack: ${place}; ${length(slackM)} of slack, ${spareM >= 0 ? `coil the spare ${length(spareM)} beside it, not under it` : `the cable is ${length(-spareM)} short`}. ${antennaWords(antenna)}`,
  "step.fur": () => "Cover the whole with the fur, clear of the capsule: wind cannot be removed later.",
  "step.foam": () => "Put the foam cap on: wind cannot be removed later.",
  "step.coverCapsule": ({ colour }) =>
    `There is no ${colour} capsule in the kit: cover this one in matching cloth, port free.`,
  "self.this": () => "This is the microphone: the small end with the hole. Keep fingers and tape off the hole.",
  "self.skinTape": () =>
    "Press the tape on dry, clean skin. Tell us first if tape or plasters have ever made you itch.",
  "self.band": () => "Put the soft band round your chest, loose enough for two fingers.",
  "self.pad": () => "Press the sticky pad against the cloth for ten seconds.",
  "self.cableNeck": () =>
    "The cable goes down behind your neck, with slack so that you can turn your head; never round the neck.",
  "self.cableSide": () =>
    "Leave a little slack at the microphone, and bring the cable round your side, not down the front.",
  "self.live": () => "From now on we can hear you. Say when you want to be muted, and stop whenever you like.",
  "self.hold": ({ where }) => `Hold it where it goes: ${where}. Somebody fastens it while you look into a mirror.`,
  "self.clip": ({ where, isDown }) => `Clip it on: ${where}. The hole points ${isDown ? "down" : "up"}.`,
  "self.inside": ({ where }) => `Bring the microphone in from below, inside your clothes, up to here: ${where}.`,
  "self.pack": ({ place }) => `The pack goes here: ${place}. Keep its antenna free.`,
};

const antennaWords = (code: AntennaCode): string => dress[code]({});
