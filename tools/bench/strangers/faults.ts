import { addAt, dbToGain, type Dice, echoed, filtered, peakIn, rms, seconds, swelled, whiteNoise } from "./sounds";
import { RATE } from "./rate";
import { loudnessAt, mixed, placesIn, type Stretch, type Take } from "./takes";

/** A take with a fault: where it is (nothing: all through), and which findings name it rightly. */
export interface Spoilt {
  samples: Float32Array;
  places: readonly Stretch[] | null;
}

type Spoil = (dice: Dice, take: Take) => Spoilt;

const wholly = (samples: Float32Array): Spoilt => ({ samples, places: null });

/** Sounds added at places, so loud re the voice there or all through. */
function added(
  dice: Dice,
  take: Take,
  where: "voice" | "pause" | "any",
  count: number,
  overDb: [number, number],
  make: () => Float32Array,
): Spoilt {
  const samples = mixed(take.voice, take.noise);
  const places = placesIn(dice, take, count, 0.3, where).map((from): Stretch => {
    const sound = make();
    const beside = where === "voice" ? loudnessAt(take, from, from + sound.length) : take.speech;
    addAt(samples, sound, from, (Math.max(beside, take.speech * 0.3) * dbToGain(dice.within(...overDb))) / rms(sound));
    return { from, to: from + sound.length };
  });
  return { samples, places };
}

/** The finished sound replaced or changed at places in the voice. */
function changed(
  dice: Dice,
  take: Take,
  count: number,
  lengthS: [number, number],
  change: (samples: Float32Array, from: number, to: number) => void,
): Spoilt {
  const samples = mixed(take.voice, take.noise);
  const places = placesIn(dice, take, count, lengthS[1], "voice").map((from): Stretch => {
    const to = from + seconds(dice.within(...lengthS));
    change(samples, from, to);
    return { from, to };
  });
  return { samples, places };
}

const tone = (hz: number, frames: number): Float32Array =>
  Float32Array.from({ length: frames }, (_, at) => Math.sin((2 * Math.PI * hz * at) / RATE));

/** Fibres that slip and catch: grains of noise of a millisecond or so whose rate and size wander, coloured by what the capsule's grille does to them. */
function cloth(dice: Dice, lengthS: number, grainsPerS: number, fromHz: number, toHz: number): Float32Array {
  const sound = new Float32Array(seconds(lengthS));
  let push = 0.5;
  for (
    let at = 0;
    at < sound.length;
    at += Math.max(2, Math.round((-Math.log(1 - dice.roll()) * RATE) / (grainsPerS * (0.2 + push))))
  ) {
    push = Math.min(1, Math.max(0, push + dice.normal() * 0.05));
    const size = Math.exp(dice.normal() * 0.8);
    const length = seconds(dice.within(0.0004, 0.003));
    for (let index = 0; index < length && at + index < sound.length; index += 1)
      sound[at + index]! += size * dice.normal() * (1 - index / length);
  }
  return swelled(filtered(filtered(sound, "high", fromHz), "low", toHz), 0.03, 0.05);
}

/** Something smooth is dragged over the grille: friction noise without grains, its strength following the hand's speed. */
function dragged(dice: Dice, lengthS: number): Float32Array {
  const sound = filtered(
    filtered(whiteNoise(dice, seconds(lengthS)), "high", dice.within(250, 700), 0.6),
    "low",
    dice.within(5000, 11_000),
    0.6,
  );
  const turn = dice.within(2, 6);
  for (let at = 0; at < sound.length; at += 1) sound[at]! *= 0.25 + Math.abs(Math.sin((Math.PI * turn * at) / RATE));
  return swelled(sound, 0.05, 0.08);
}

/** A body struck: a few decaying modes and a contact click of a millisecond. */
function struck(dice: Dice): Float32Array {
  const sound = new Float32Array(seconds(0.25));
  for (let mode = 0; mode < dice.whole(2, 4); mode += 1) {
    const [hz, dies, size] = [dice.within(45, 260), dice.within(0.015, 0.05), dice.within(0.4, 1)];
    for (let at = 0; at < sound.length; at += 1)
      sound[at]! += size * Math.exp(-at / (dies * RATE)) * Math.sin((2 * Math.PI * hz * at) / RATE);
  }
  const click = seconds(0.0012);
  for (let at = 0; at < click; at += 1) sound[at]! += dice.within(0.3, 0.8) * dice.normal() * (1 - at / click);
  return sound;
}

/** Breath of a p on the grille: a gust that rises in some milliseconds and dies in some ten, hardly anything over 100 Hz. */
function gust(dice: Dice, riseS: number, fallS: number): Float32Array {
  const sound = filtered(filtered(whiteNoise(dice, seconds(riseS + fallS)), "low", 50, 0.6), "low", 90, 0.6);
  for (let at = 0; at < sound.length; at += 1) {
    const time = at / RATE;
    sound[at] = (sound[at]! * 8 + 1) * (time < riseS ? time / riseS : Math.exp((riseS - time) / (fallS / 4)));
  }
  return filtered(sound, "high", 18);
}

function clippedAt(samples: Float32Array, limit: number): Float32Array {
  return samples.map((value) => Math.max(-limit, Math.min(limit, value)));
}

/** The level that a share of the samples passes. */
function levelPassed(samples: Float32Array, share: number): number {
  const sizes = samples.map(Math.abs).sort();
  return sizes[Math.floor(sizes.length * (1 - share))]!;
}

/** Gain that holds peaks under a limit: falls over `attackS`, or before the peak by so long a look ahead, and comes back over `releaseS`. */
function limitedTo(samples: Float32Array, limit: number, releaseS: number, aheadS: number, attackS = 0): Float32Array {
  const ahead = seconds(aheadS);
  const back = Math.exp(-1 / (releaseS * RATE));
  const falls = attackS > 0 ? 1 - Math.exp(-1 / (attackS * RATE)) : 1;
  const gains = new Float32Array(samples.length);
  let gain = 1;
  for (let at = 0; at < samples.length; at += 1) {
    const wanted = Math.min(1, limit / (Math.abs(samples[at]!) + 1e-9));
    gain = wanted < gain ? gain + (wanted - gain) * falls : 1 - (1 - gain) * back;
    gains[at] = gain;
  }
  if (ahead === 0) return samples.map((value, at) => value * gains[at]!);
  // The least gain of the time ahead, averaged over that time, has come down when the peak arrives and never leaps.
  const least = gains.map((_, at) => gains.subarray(at, at + ahead).reduce((low, value) => Math.min(low, value), 1));
  let sum = ahead;
  return samples.map((value, at) => {
    sum += least[at]! - (at >= ahead ? least[at - ahead]! : 1);
    return (value * sum) / ahead;
  });
}

const underVoice = (take: Take, underDb: number): number => take.speech * dbToGain(-underDb);

/** Every fault, from how it comes about. The name before the slash is the kind that is wanted. */
export const SPOILS: Readonly<Record<string, Spoil>> = {
  clipped: (dice, { voice, noise }) => {
    const own = mixed(voice, noise);
    const gain = 1 / levelPassed(own, dice.within(0.0008, 0.006));
    return wholly(
      clippedAt(
        own.map((value) => value * gain),
        1,
      ),
    );
  },
  "overloadedEarlier/flat": (dice, { voice, noise }) => {
    const own = mixed(voice, noise);
    return wholly(clippedAt(own, levelPassed(own, dice.within(0.001, 0.006))));
  },
  // A coupling capacitor behind the stage that clips tilts its flat tops.
  "overloadedEarlier/capacitor": (dice, { voice, noise }) => {
    const own = mixed(voice, noise);
    return wholly(
      filtered(clippedAt(own, levelPassed(own, dice.within(0.002, 0.008))), "high", dice.within(15, 45), 0.6),
    );
  },
  // A transmitter lifts the highs, clips, and the receiver lowers them again.
  "overloadedEarlier/emphasis": (dice, { voice, noise }) => {
    const own = filtered(mixed(voice, noise), "highShelf", 4000, 0.6, 9);
    const clipped = clippedAt(own, levelPassed(own, dice.within(0.002, 0.008)));
    return wholly(filtered(filtered(clipped, "highShelf", 4000, 0.6, -9), "high", 30));
  },
  "limited/fast": (dice, { voice, noise }) => {
    const own = mixed(voice, noise);
    return wholly(
      limitedTo(own, levelPassed(own, dice.within(0.02, 0.06)), dice.within(0.08, 0.3), 0, dice.within(0.0003, 0.0015)),
    );
  },
  "limited/ahead": (dice, { voice, noise }) => {
    const own = mixed(voice, noise);
    return wholly(
      limitedTo(own, levelPassed(own, dice.within(0.02, 0.06)), dice.within(0.08, 0.3), dice.within(0.001, 0.005)),
    );
  },
  tooLow: (dice, { voice, noise }) => {
    const gain = dbToGain(dice.within(-42, -36) + 8) / peakIn(voice) / 1;
    return wholly(
      mixed(
        voice.map((value) => value * gain * 0.35),
        noise.map((value) => value * Math.min(1, gain)),
      ),
    );
  },
  noisy: (dice, take) => {
    const level = rms(take.noise);
    return wholly(
      mixed(
        take.voice,
        take.noise.map((value) => (value * underVoice(take, dice.within(6, 15))) / level),
      ),
    );
  },
  hum: (dice, take) => {
    const mains = dice.one([50, 60]);
    const samples = mixed(take.voice, take.noise);
    const own = new Float32Array(samples.length);
    const roll = dice.within(0.4, 0.9);
    for (let line = 1; line <= 8; line += 1)
      addAt(
        own,
        tone(mains * line, own.length),
        -Math.floor(dice.within(0, 900)),
        roll ** line * (line % 2 === 0 ? 1 : 0.6),
      );
    addAt(samples, own, 0, underVoice(take, dice.within(8, 34)) / rms(own));
    return wholly(samples);
  },
  hiss: (dice, take) => {
    const samples = mixed(take.voice, take.noise);
    addAt(samples, whiteNoise(dice, samples.length), 0, underVoice(take, dice.within(22, 36)));
    return wholly(samples);
  },
  whine: (dice, take) => {
    const samples = mixed(take.voice, take.noise);
    addAt(samples, tone(dice.within(900, 9000), samples.length), 0, underVoice(take, dice.within(18, 36)));
    return wholly(samples);
  },
  // A phone's bursts: 0.577 ms of each 4.615 ms frame, one of eight slots (the public GSM 05.02 numbers), picked up by a cable.
  buzz: (dice, take) =>
    added(dice, take, "any", 3, [-14, -4], () => {
      const sound = new Float32Array(seconds(dice.within(0.8, 2)));
      for (let at = 0; at < sound.length; at += 1) sound[at] = (at / RATE) % 0.004615 < 0.000577 ? 1 : 0;
      return swelled(filtered(filtered(sound, "high", 60), "low", 6000), 0.002, 0.002);
    }),
  roomy: (dice, { voice, noise }) =>
    wholly(mixed(echoed(dice, voice, dice.within(0.6, 1.3), dice.within(-4, 2)), noise)),
  muffled: (dice, { voice, noise }) => {
    const hz = dice.within(1100, 2000);
    return wholly(mixed(filtered(filtered(voice, "low", hz, 0.6), "highShelf", 5000, 0.7, -10), noise));
  },
  boomy: (dice, { voice, noise }) => wholly(mixed(filtered(voice, "lowShelf", 320, 0.8, dice.within(11, 16)), noise)),
  sibilant: (dice, { voice, noise }) =>
    wholly(mixed(filtered(voice, "peak", dice.within(6000, 8000), 0.7, dice.within(13, 18)), noise)),
  narrowBand: (dice, { voice, noise }) => {
    const own = mixed(voice, noise);
    const [from, to] = [dice.within(250, 350), dice.within(3000, 4000)];
    for (let turn = 0; turn < 4; turn += 1) filtered(filtered(own, "low", to, 0.9), "high", from, 0.9);
    return wholly(own);
  },
  dcOffset: (dice, { voice, noise }) => {
    const offset = dice.within(0.012, 0.05);
    return wholly(mixed(voice, noise).map((value) => value + offset));
  },
  lowCut: (dice, { voice, noise }) => {
    const own = mixed(voice, noise);
    for (let turn = 0; turn < 2; turn += 1) filtered(own, "high", dice.within(100, 160));
    return wholly(own);
  },
  silent: (dice, { noise }) => wholly(noise.map((value) => value * 1e-3 * dice.within(0.99, 1))),
  noSpeech: (dice, { noise }) => wholly(noise.map((value) => value * 12 * dice.within(0.99, 1))),
  "rustle/grains": (dice, take) =>
    added(dice, take, "any", 6, [-9, 0], () => cloth(dice, dice.within(0.3, 1.2), dice.within(300, 1200), 300, 9000)),
  "rustle/dragged": (dice, take) => added(dice, take, "any", 6, [-10, 0], () => dragged(dice, dice.within(0.4, 1.2))),
  "rustle/cotton": (dice, take) =>
    added(dice, take, "any", 6, [-9, 0], () => cloth(dice, dice.within(0.3, 1), dice.within(1500, 4000), 200, 3500)),
  "rustle/steps": (dice, take) => {
    const samples = mixed(take.voice, take.noise);
    const from = seconds(dice.within(5, 12));
    for (let step = 0; step < 16; step += 1)
      addAt(
        samples,
        cloth(dice, 0.22, 900, 250, 6000),
        from + seconds(step * 0.55),
        (take.speech * dbToGain(-9)) / 0.5,
      );
    return { samples, places: [{ from, to: from + seconds(9) }] };
  },
  knock: (dice, take) => added(dice, take, "any", 8, [-2, 6], () => struck(dice)),
  plosive: (dice, take) => {
    const samples = mixed(take.voice, take.noise);
    const starts = take.spoken.filter(({ from }) => from > RATE && from < samples.length - RATE);
    const places = starts
      .filter((_, index) => index % Math.max(1, Math.floor(starts.length / 6)) === 0)
      .map(({ from }): Stretch => {
        const sound = gust(dice, dice.within(0.004, 0.012), dice.within(0.05, 0.12));
        addAt(samples, sound, from - seconds(0.005), (take.speech * dbToGain(dice.within(3, 9))) / rms(sound));
        return { from, to: from + sound.length };
      });
    return { samples, places };
  },
  wind: (dice, take) =>
    added(dice, take, "any", 3, [-6, 4], () => {
      const sound = filtered(filtered(whiteNoise(dice, seconds(dice.within(1.5, 4))), "low", 60, 0.5), "low", 300, 0.5);
      let swell = 0.5;
      for (let at = 0; at < sound.length; at += 1) {
        if (at % 2400 === 0) swell = Math.min(1.2, Math.max(0.15, swell + dice.normal() * 0.2));
        sound[at]! *= swell;
      }
      return swelled(sound, 0.3, 0.3);
    }),
  "dropout/mute": (dice, take) =>
    changed(dice, take, 8, [0.02, 0.3], (samples, from, to) =>
      samples
        .fill(0, from, to)
        .subarray(from, to)
        .forEach((_, at, part) => (part[at] = dice.normal() * 1.2e-5)),
    ),
  "dropout/short": (dice, take) =>
    changed(dice, take, 8, [0.006, 0.015], (samples, from, to) =>
      samples.subarray(from, to).forEach((_, at, part) => (part[at] = dice.normal() * 1.2e-5)),
    ),
  "dropout/contact": (dice, take) =>
    changed(dice, take, 5, [0.6, 1.8], (samples, from, to) =>
      samples.subarray(from, to).forEach((_, at, part) => (part[at] = dice.normal() * 2e-5)),
    ),
  "dropout/hiss": (dice, take) =>
    changed(dice, take, 6, [0.12, 0.5], (samples, from, to) => {
      const hiss = take.speech * dbToGain(dice.within(-20, -8));
      for (let at = from; at < to; at += 1) {
        const share = Math.min(1, (at - from) / 480, (to - at) / 480);
        samples[at] = samples[at]! * (1 - share) + share * hiss * dice.normal();
      }
    }),
  radioNoise: (dice, take) =>
    added(dice, take, "any", 6, [0, 8], () => whiteNoise(dice, seconds(dice.within(0.03, 0.25)))),
  gap: (dice, take) => changed(dice, take, 8, [0.002, 0.04], (samples, from, to) => samples.fill(0, from, to)),
  held: (dice, take) =>
    changed(dice, take, 8, [0.002, 0.02], (samples, from, to) => samples.fill(samples[from - 1]!, from, to)),
  repeated: (dice, take) =>
    changed(dice, take, 6, [0.01, 0.06], (samples, from, to) => samples.copyWithin(from, from - (to - from), from)),
  click: (dice, take) =>
    added(dice, take, "any", 8, [4, 12], () => {
      const sound = new Float32Array(seconds(0.02));
      const length = dice.whole(3, 30);
      for (let at = 0; at < length; at += 1) sound[at] = dice.normal() * (1 - at / length);
      return sound;
    }),
  splice: (dice, take) => {
    const samples = mixed(take.voice, take.noise);
    const places = placesIn(dice, take, 6, 0.05, "voice").map((from): Stretch => {
      const jump = seconds(dice.within(0.05, 0.4));
      samples.copyWithin(from, Math.min(samples.length - 1, from + jump), samples.length);
      return { from, to: from + 1 };
    });
    return { samples: samples.subarray(0, samples.length - seconds(2.4)).slice(), places };
  },
  crackle: (dice, take) =>
    added(dice, take, "any", 4, [-2, 8], () => {
      // A contact that opens and closes: jumps of level that a coupling capacitor lets die away.
      const sound = new Float32Array(seconds(dice.within(0.2, 0.9)));
      let level = 0;
      for (let at = 0; at < sound.length; at += 1) {
        if (dice.roll() < 90 / RATE) level += dice.normal();
        level *= 0.997;
        sound[at] = level;
      }
      return sound;
    }),
};

/** The kinds of finding that answer a fault rightly; the fault's own name before the slash unless listed. */
export const ANSWERS: Readonly<Record<string, readonly string[]>> = {
  click: ["click", "crackle"],
  crackle: ["crackle", "click"],
  splice: ["splice", "click"],
  held: ["gap", "repeated"],
  gap: ["gap", "dropout"],
  "dropout/mute": ["dropout", "gap"],
  "dropout/short": ["dropout", "gap"],
  "dropout/contact": ["dropout", "contactLost"],
  "dropout/hiss": ["dropout", "radioNoise"],
  muffled: ["muffled", "narrowBand"],
  narrowBand: ["narrowBand"],
  silent: ["silent"],
};
