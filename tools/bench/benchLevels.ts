import {
  bestSettings,
  type Chain,
  combinationsOf,
  compareCosts,
  costOfSettings,
  leastCost,
  peakOf,
  planLevels,
  soundAt,
  type SoundIn,
  soundOfFeed,
  stagesOfWay,
} from "../../core/chain";
import { TEST_CONDENSER, testWay } from "../../fixtures/testWays";
import { liveMeter } from "../../core/meter";
import { whiteNoise } from "../../fixtures/testSignals";
import { EFFORTS } from "../../core/voice";

const TARGETS = { targetDbfs: -12, ceilingDbfs: -6 };
const SEARCH_MS = 100;
const VOICES = ["whisper", "normal", "loud", "shout"] as const;
/** Share of a core that metering may take, and the sound it is measured on. */
const CORE_SHARE = 0.05;
const METERED_S = 600;
const RATE = 48_000;

const CHAINS: readonly Chain[] = [
  testWay("receiver", "recorder35"),
  testWay("receiverBalanced", "recorderXlr"),
  testWay("receiver", "computerMic"),
  testWay("receiverBalanced", "streamMixer"),
  testWay("receiver", "phone"),
  testWay("receiver", "cameraNoPhones"),
  testWay("receiverUsb", "computerUsb"),
  testWay("lavSelf", "recorder35"),
  testWay("micPhantom", "recorderXlr"),
  testWay("micDynamic", "phoneData", { mic: TEST_CONDENSER }),
  testWay("deskXlr", "recorderSwitched"),
  { ...testWay("lavSelf", "recorder35"), source: null, parts: [] },
].map(stagesOfWay);

const soundFor = (chain: Chain, loudest: (typeof VOICES)[number]): SoundIn =>
  chain[0].unit === "dBu"
    ? { ...soundOfFeed(18), loudest }
    : soundAt({ distanceM: 0.25, offsetDb: 0, softest: "whisper", usual: "normal", loudest, noiseDba: 35 });

/** Settings of twelve ways for four voices, against trying everything; and what the live meter takes of a core. */
export function benchLevels(): boolean {
  const jobs = CHAINS.flatMap((chain) => VOICES.map((voice) => ({ chain, sound: soundFor(chain, voice) })));
  const times: number[] = [];
  for (let run = 0; run < 7; run += 1) {
    const begun = performance.now();
    for (const { chain, sound } of jobs) planLevels(chain, sound, TARGETS);
    times.push(performance.now() - begun);
  }
  const [first, ...later] = times;
  const median = [...later].sort((one, other) => one - other)[Math.floor(later.length / 2)]!;
  const begunBrute = performance.now();
  const same = jobs.filter(({ chain, sound }) => {
    const peak = peakOf(sound);
    const found = costOfSettings(chain, bestSettings(chain, peak, TARGETS), peak, TARGETS);
    return compareCosts(found, leastCost(chain, peak, TARGETS)) === 0;
  }).length;
  const bruteMs = performance.now() - begunBrute;
  const tried = CHAINS.reduce((sum, chain) => sum + combinationsOf(chain), 0) * VOICES.length;

  const meter = liveMeter(RATE);
  const noise = whiteNoise(1, -20, RATE);
  const cpu = process.cpuUsage();
  for (let second = 0; second < METERED_S; second += 1)
    for (let at = 0, block = 0; at + 512 <= noise.length; at += 512, block += 1) {
      meter.push(noise.subarray(at, at + 512));
      if (block % 2 === 1) meter.read();
    }
  const spent = process.cpuUsage(cpu);
  const share = (spent.user + spent.system) / 1e6 / METERED_S;
  const lines: readonly (readonly [string, boolean])[] = [
    [
      `settings of ${CHAINS.length} ways for ${VOICES.length} voices of ${EFFORTS.length}: ${median.toFixed(1)} ms, cold ${first!.toFixed(1)} ms (at most ${SEARCH_MS}); up to ${Math.max(...CHAINS.map(combinationsOf))} combinations a way`,
      first! <= SEARCH_MS,
    ],
    [
      `${same} of ${jobs.length} as good as the best of all ${tried} combinations, which took ${(bruteMs / 1000).toFixed(1)} s`,
      same === jobs.length,
    ],
    [
      `live meter: ${(100 * share).toFixed(2)} % of a core at 48 kHz over ${METERED_S} s of sound, 47 readings a second (less than ${100 * CORE_SHARE})`,
      share < CORE_SHARE,
    ],
  ];
  for (const [says, isGood] of lines) process.stdout.write(`${isGood ? "ok  " : "FAIL"} ${says}\n`);
  return lines.every(([, isGood]) => isGood);
}
