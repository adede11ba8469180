import { SINE_CREST_DB, dbvToDbu } from "../sound/decibel";
import { GENERIC_DEVICES, type Lav } from "./devices";
import { runChain, type Chain } from "./gainPlan";

const figures = (kind: string) => GENERIC_DEVICES.find((device) => device.kind === kind)!.figures;

/** A chain that adds nothing: the capsule's volts reach the file as they are. */
const THROUGH = {
  lav: { ...(figures("lav") as Lav), sensitivityMvPerPa: 6 },
  pack: { fullInputDbv: 0, sensitivityMinDb: 0, sensitivityMaxDb: 0, sensitivityStepDb: 1, inputNoiseDbv: -140 },
  receiver: { linkSnrDb: 130, fullOutputDbu: dbvToDbu(0), outputMinDb: 0, outputStepDb: 1 },
  input: {
    maxInputDbu: 30,
    fullScaleDbu: 0,
    gainMaxDb: 0,
    gainStepDb: 1,
    einDbu: -140,
    converterRangeDb: 150,
    leadLossDb: 0,
  },
} satisfies Chain;

const SETTINGS = { sensitivityDb: 0, outputDb: 0, gainDb: 0 };
const TARGETS = { targetDbfs: -12, ceilingDbfs: -6 };

function socketDbu(splDb: number, chain: Chain = THROUGH): number {
  const sound = { softestDb: splDb, normalDb: splDb, loudestDb: splDb, noiseDb: 0 };
  return runChain(chain, SETTINGS, sound, TARGETS).stages.find((stage) => stage.id === "socket")!.loudest;
}

test("6 mV/Pa at 94 dB SPL is −44.4 dBV (capsule sensitivity, microphone handbooks)", () => {
  expect(socketDbu(94) - dbvToDbu(0)).toBeCloseTo(-44.44, 1);
});

test("6 mV/Pa at 76 dB SPL is −60.2 dBu (capsule sensitivity, microphone handbooks)", () => {
  expect(socketDbu(76)).toBeCloseTo(-60.2, 1);
});

test("a balanced source into an unbalanced input loses 6 dB (half of the pair, audio handbooks)", () => {
  const lossy = { ...THROUGH, input: { ...THROUGH.input, leadLossDb: 6 } };
  expect(socketDbu(80) - socketDbu(80, lossy)).toBeCloseTo(6, 9);
});

test("speech peaks stand 18 dB over its mean, a sine's 3.01 dB over its RMS: 14.99 dB over a sine (common practice, AES17)", () => {
  const sound = { softestDb: 70, normalDb: 70, loudestDb: 70, noiseDb: 0 };
  const plan = runChain(THROUGH, SETTINGS, sound, TARGETS);
  expect(plan.peakDbfs - plan.loudestDbfs).toBeCloseTo(18 - SINE_CREST_DB, 9);
});
