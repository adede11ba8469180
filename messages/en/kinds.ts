import type { FindingKind } from "../../core/check";

export interface KindWords {
  /** The finding's name in a list. */
  name: string;
  /** What a careful listener hears. */
  sounds: string;
  /** What to do now, whatever the chain. */
  advice: string;
}

/** What each finding is called, sounds like and asks for. Common practice. */
export const KIND_WORDS: Readonly<Record<FindingKind, KindWords>> = {
  clipped: {
    name: "Clipped",
    sounds: "Loud syllables crackle.",
    advice: "Turn it down and record this line again. Clipping cannot be repaired.",
  },
  overloadedEarlier: {
    name: "Overload before the recorder",
    sounds: "Loud syllables are rough, yet the meter never reaches the top.",
    advice: "Lower the pack's sensitivity. The recorder's gain cannot cure this.",
  },
  limited: {
    name: "Limiter at work",
    sounds: "Loud words are squeezed, and the room swells after them.",
    advice: "Lower the pack's sensitivity until its limiter acts on the loudest words only.",
  },
  overFullScale: {
    name: "Over full scale",
    sounds: "Nothing yet: a float file keeps it.",
    advice: "Turn the file down before any other step in the edit, and the gain down for the next take.",
  },
  tooHot: {
    name: "Too hot",
    sounds: "Clean, but the next louder line clips.",
    advice: "Turn down: the next line may be louder.",
  },
  tooLow: {
    name: "Too low",
    sounds: "Thin until turned up, and its noise comes up with it.",
    advice: "Raise the pack's sensitivity first, then the receiver's output, then the recorder's gain.",
  },
  noisy: {
    name: "Noisy",
    sounds: "The place is heard behind every word.",
    advice: "Stop the noise or come closer: more gain lifts both alike.",
  },
  hum: {
    name: "Hum",
    sounds: "A steady low tone under everything.",
    advice:
      "Find the source: a dimmer, a charger, a ground loop. Ask the venue's technician, and never lift a safety earth.",
  },
  hiss: {
    name: "Hiss",
    sounds: "A steady bright noise under the voice.",
    advice: "Raise the gain at the first stage and lower it at the last. Check that no microphone is in a line input.",
  },
  roomy: {
    name: "Too much room",
    sounds: "The voice is far away, and words run into each other.",
    advice: "Come closer, or hang cloth where the voice first hits a wall.",
  },
  ownMicrophone: {
    name: "Built-in microphone suspected",
    sounds: "Far more room than this microphone place can give.",
    advice:
      "Scratch the capsule and listen: is it this one that records? Set the input of phone, camera or computer by hand.",
  },
  plosive: {
    name: "Plosives",
    sounds: "A thump on p and b.",
    advice: "Turn the capsule out of the breath, or put foam over it. A low cut softens what is recorded.",
  },
  breath: {
    name: "Breaths",
    sounds: "Air drawn in before phrases.",
    advice: "Move the capsule to the side of nose and mouth. The edit can lower single breaths.",
  },
  wind: {
    name: "Wind",
    sounds: "Low rumble that comes and goes.",
    advice: "Put a fur cover over the capsule, or turn the talent's back to the wind. A low cut helps only a little.",
  },
  rustle: {
    name: "Rustle",
    sounds: "Cloth brushes over the microphone.",
    advice: "Fix both layers to each other round the capsule, make a strain-relief loop, and record it again.",
  },
  knock: {
    name: "Handling noise",
    sounds: "A thump with a click.",
    advice: "Free the cable, loop it below the capsule, and keep hands and jewellery away from it.",
  },
  sibilant: {
    name: "Sibilance",
    sounds: "S and sh are sharp.",
    advice: "Turn the capsule away from the mouth's axis, or take off the bright cap.",
  },
  muffled: {
    name: "Muffled",
    sounds: "As through a blanket.",
    advice: "Look for cloth or tape over the capsule's port. A bright cap helps under layers.",
  },
  boomy: {
    name: "Boomy",
    sounds: "Chesty and thick.",
    advice: "Move it off the chest or away from the mouth. A low cut or a shelf in the edit thins it.",
  },
  dropout: {
    name: "Radio dropouts",
    sounds: "Syllables vanish for a moment.",
    advice: "Check line of sight to the antennas, batteries and frequency. Then record it again.",
  },
  radioNoise: {
    name: "Radio noise",
    sounds: "Short bursts of loud hiss.",
    advice: "Change the frequency, move the antennas closer, check the squelch. Then record it again.",
  },
  gap: {
    name: "Gaps",
    sounds: "Tiny holes that tick.",
    advice: "A slow card or a busy computer lost samples. Use another card, close other programs, and record it again.",
  },
  repeated: {
    name: "Repeated blocks",
    sounds: "A stutter or a buzz for an instant.",
    advice:
      "Two clocks that are not locked, or a busy computer. Set one device as the master clock, and record it again.",
  },
  click: {
    name: "Clicks",
    sounds: "A tick for an instant.",
    advice:
      "Two devices on two clocks tick like this, and so does a bad cut. Check the clocks. The edit can repair single clicks.",
  },
  crackle: {
    name: "Crackle",
    sounds: "Scratches and ticks, as from a loose plug.",
    advice: "Wiggle each plug while you listen, clean the contacts or swap the cable. Then record it again.",
  },
  contactLost: {
    name: "Contact lost",
    sounds: "The voice is gone for a moment, then back.",
    advice: "Check plugs, cable, mute switch and batteries before the radio link. Then record it again.",
  },
  buzz: {
    name: "Phone buzz",
    sounds: "A rough buzz that comes in bursts.",
    advice: "Put phones in flight mode or metres away from cables and packs. Then record it again.",
  },
  whine: {
    name: "Whine",
    sounds: "A steady thin tone.",
    advice:
      "Look for chargers, screens, lamps and dimmers nearby. Run on batteries. A narrow notch in the edit takes it out.",
  },
  narrowBand: {
    name: "Narrow band",
    sounds: "As over a telephone.",
    advice:
      "Look for a headset profile, a call or a strong lossy format in the chain, and record through another input.",
  },
  noSpeech: {
    name: "No speech",
    sounds: "Only the place: nobody speaks.",
    advice: "If somebody did speak, this is the wrong input or a muted pack. Tap the capsule and follow the cable.",
  },
  silent: {
    name: "Silent",
    sounds: "Nothing.",
    advice: "Tap the microphone and follow the cable: pack muted, wrong input, or cable out.",
  },
  linked: {
    name: "Same sound twice",
    sounds: "Both channels are one microphone.",
    advice: "Unlink the inputs, or route each microphone to a track of its own.",
  },
  swapped: {
    name: "Swapped tracks",
    sounds: "Each track has the other's voice.",
    advice: "Swap the cables or rename the tracks, and write it into the report.",
  },
  inverted: {
    name: "Polarity inverted",
    sounds: "Hollow once the two are mixed.",
    advice: "Flip the polarity of one of the two. Look for a cable or a preamplifier that inverts it.",
  },
  delayed: {
    name: "Constant delay",
    sounds: "An echo, or a hollow sound, once the two are mixed.",
    advice: "Move one track by this much in the edit. A digital link delays, and so does distance (3 ms per metre).",
  },
  pumping: {
    name: "AGC pumping",
    sounds: "The room swells up in every pause.",
    advice: "Switch off automatic level at recorder, camera or phone, and set the gain by hand.",
  },
  lowCut: {
    name: "Low cut is in",
    sounds: "Thin below the voice. Nothing is wrong.",
    advice: "Do not cut again in the edit. Note it for the mix.",
  },
  headTurn: {
    name: "Voice turns away",
    sounds: "Whole phrases are weaker and duller.",
    advice: "Use a place nearer the middle of the chest, or on the side they face.",
  },
  dcOffset: {
    name: "DC offset",
    sounds: "Nothing, until it is cut: then a click.",
    advice: "A low cut in the edit removes it. An input that does this may be faulty.",
  },
  wrongFormat: {
    name: "Not the format agreed",
    sounds: "Nothing, until the edit: then it may drift or lose quality.",
    advice: "Set the recorder to the delivery's rate and bits before the next take, and tell the edit of this one.",
  },
  brokenSamples: {
    name: "Broken samples",
    sounds: "Clicks.",
    advice: "The program that wrote this float file damaged it: export it again.",
  },
  cutShort: {
    name: "Truncated file",
    sounds: "It stops in the middle.",
    advice: "Copy it from the card again before the card is formatted.",
  },
};
