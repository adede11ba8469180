import { randomUUID } from "node:crypto";
import { open } from "node:fs/promises";
import { join } from "node:path";
import { measureWav } from "../core/check";
import { bytesSource, readMono } from "../core/audio";
import { channelOfTake, judgeTake } from "../core/proof";
import {
  airPlanOf,
  connectionBodyOf,
  connectionsOf,
  expectedTake,
  levelInputOf,
  levelsOfRig,
  onAirOf,
  takeRecord,
} from "../core/planning";
import { hashOf } from "./contentHash";
import { analyseClap, echoFrom } from "../core/room";
import { coordinateAir, withTuned } from "../core/wireless";
import { signatureOf } from "../core/rehearsal";
import type { AirBody, ConnectionBody, PlaceBody, RecordKind, RigBody, StepDone } from "../core/records";
import { CARD, makeCardRecording } from "../demo/card";
import { PAIRED_ID } from "../demo/connections";
import { DEMO_LOG } from "../demo/log";
import { MILLER, ON_XLR, SLACK_WATER } from "../demo/slackWater";
import {
  CARD_FILES,
  DEMO_CLAP,
  DEMO_PICTURES,
  DEMO_RECORDINGS,
  DEMO_SHOOT_ID,
  demoId,
  type DemoRecording,
} from "../demo/recordings";
import { voiceOf } from "../demo/voices";
import { requireRight } from "./accounts";
import type { ActingCrew } from "./crew";
import { Fault } from "./faults";
import { createRecord, isKnown, listRecords, loadShoot, runCommand } from "./records";

/** Where the demo's recordings are; the process runs in the checkout. */
function recordingPath(file: string): string {
  return join(process.cwd(), "demo", "recordings", file);
}

/** Recordings that come with the demo shoot, and where they belong. */
export const demoSamples = () => ({
  shootId: DEMO_SHOOT_ID,
  card: { folder: "SLACK_WATER", files: CARD_FILES },
  recordings: DEMO_RECORDINGS.map(({ file, title, rigId }) => ({ file, title, rigId })),
  claps: [DEMO_CLAP],
  pictures: DEMO_PICTURES,
});

/** Bytes of one of the demo's recordings, by its listed name only; those of its card are made here and now. */
export async function demoRecordingBytes(file: string): Promise<Uint8Array<ArrayBuffer>> {
  const ofCard = CARD_FILES.find((name) => name === file);
  if (ofCard) {
    const { voice: name } = CARD[ofCard];
    const { samples } = await readMono(bytesSource(await recordingBytes(`voice-${name}.wav`)), 60);
    return makeCardRecording(ofCard, voiceOf(name, samples));
  }
  const known = [...[DEMO_CLAP, ...DEMO_RECORDINGS].map((recording) => recording.file), ...DEMO_PICTURES];
  if (!known.includes(file)) throw new Fault("missing", { code: "record.noRecording" });
  return recordingBytes(file);
}

async function recordingBytes(file: string): Promise<Uint8Array<ArrayBuffer>> {
  const handle = await open(recordingPath(file), "r");
  try {
    const { size } = await handle.stat();
    const bytes = new Uint8Array(size);
    await handle.read(bytes, 0, size, 0);
    return bytes;
  } finally {
    await handle.close();
  }
}

/** Measures a demo recording against its rig's plan and stores the proof, as Check does. */
async function proveRecording(
  acting: ActingCrew,
  recording: DemoRecording,
  proofId: string,
  detailId: string,
): Promise<void> {
  const bundle = await loadShoot(acting, DEMO_SHOOT_ID);
  const subject = levelsOfRig(bundle, recording.rigId);
  if (!subject?.levels || !subject.plan) return;
  const bytes = await demoRecordingBytes(recording.file);
  const { measurement } = await measureWav(bytesSource(bytes), recording.file);
  const expected = expectedTake(bundle, subject)!;
  const channel = channelOfTake(expected, measurement);
  const judged = judgeTake(subject.levels, expected, measurement, channel, []);
  const ids = { shootId: DEMO_SHOOT_ID, rigId: recording.rigId };
  const content = { hash: await hashOf(bytes), sizeBytes: bytes.length };
  const { summary, detail } = takeRecord(ids, measurement, content, subject.plan, judged, []);
  await createRecord(acting, "measurement", proofId, summary);
  await createRecord(acting, "takeDetail", detailId, { ...detail, measurementId: proofId });
}

/** A place with its echo measured from the demo's clap, as Scout does. */
async function withClap(body: PlaceBody): Promise<PlaceBody> {
  const { samples, sampleRateHz } = await readMono(bytesSource(await demoRecordingBytes(DEMO_CLAP.file)), 60);
  const analysis = analyseClap(samples, sampleRateHz);
  if (!analysis.isMeasured) throw new Error(`The demo's clap: ${analysis.says.code}`);
  return { ...body, model: { ...body.model, echo: echoFrom(DEMO_CLAP.file, analysis) } };
}

/** Enough for the demo's few links. */
const AIR_ROUNDS = 200;

/** The demo's air with the frequencies that Link finds. */
async function coordinated(acting: ActingCrew, body: AirBody): Promise<AirBody> {
  const bundle = await loadShoot(acting, DEMO_SHOOT_ID);
  const search = coordinateAir(airPlanOf(body), onAirOf(bundle, body.links), 1, AIR_ROUNDS);
  let next = search.next();
  while (!next.done) next = search.next();
  return withTuned(body, next.value);
}

/** Everything done on the real devices of one link, as on the morning of the first day. */
async function paired(acting: ActingCrew, linkId: string): Promise<ConnectionBody> {
  const bundle = await loadShoot(acting, DEMO_SHOOT_ID);
  const found = connectionsOf(bundle).connections.find(({ link }) => link.id === linkId)!;
  const steps = found.steps.map((step): StepDone => ({
    step,
    how: "real",
    at: "2027-05-11T07:40:00Z",
    holdsFor: signatureOf(found.setup!, step),
  }));
  return { ...connectionBodyOf(bundle, found), steps };
}

const MEASURED = DEMO_RECORDINGS.map((recording, index) => ({ recording, index })).filter(
  ({ recording }) => recording.isMeasured,
);
const measuredId = (index: number) => demoId(51 + index);
/** What is put last: where it is known, all of the demo is, and need not be measured and coordinated anew. */
const LAST_ID = DEMO_LOG.rolls.at(-1)!.id;

/**
 * Puts the demo shoot into a crew's shoots; returns its id. Calling it twice is safe: what is there is neither made again, nor
 * changed, nor brought back when somebody has deleted it.
 */
export async function openDemoShoot(acting: ActingCrew): Promise<string> {
  if (await isKnown(acting, "roll", LAST_ID)) return DEMO_SHOOT_ID;
  async function put(kind: RecordKind, id: string, body: () => unknown): Promise<void> {
    if (!(await isKnown(acting, kind, id))) await createRecord(acting, kind, id, await body());
  }
  async function putAll<Body>(kind: RecordKind, bodies: Record<string, Body>, made = (body: Body): unknown => body) {
    for (const [id, body] of Object.entries(bodies)) await put(kind, id, () => made(body));
  }
  await put("shoot", DEMO_SHOOT_ID, () => SLACK_WATER.shoot);
  for (const [id, body] of Object.entries(SLACK_WATER.places))
    await put("place", id, () => (id === DEMO_CLAP.placeId ? withClap(body) : body));
  await putAll("scene", SLACK_WATER.scenes);
  await putAll("wearer", SLACK_WATER.wearers);
  const xlrId = levelInputOf(await listRecords(acting, "kitItem", null), "recorderXlr");
  const isOnXlr = ({ wearerId }: RigBody) => ON_XLR.some((each) => each === wearerId);
  await putAll("rig", SLACK_WATER.rigs, (body) => (isOnXlr(body) ? { ...body, inputId: xlrId } : body));
  await putAll("pickup", SLACK_WATER.pickups);
  await putAll("air", SLACK_WATER.airs, (body) => coordinated(acting, body));
  await putAll("kitItem", SLACK_WATER.kit);
  await putAll("connection", SLACK_WATER.connections);
  await put("connection", PAIRED_ID, () => paired(acting, MILLER));
  for (const { recording, index } of MEASURED)
    if (!(await isKnown(acting, "measurement", measuredId(index))))
      await proveRecording(acting, recording, measuredId(index), demoId(151 + index));
  await put("rollSetup", DEMO_LOG.setup.id, () => DEMO_LOG.setup.body);
  for (const { id, body } of DEMO_LOG.rolls.slice(0, -1)) await put("roll", id, () => body);
  const [last] = DEMO_LOG.rolls.slice(-1);
  const isOfLast = ({ body }: (typeof DEMO_LOG.marks)[number]) => body.rollId === last!.id;
  for (const { id, body } of DEMO_LOG.marks.filter((mark) => !isOfLast(mark))) await put("mark", id, () => body);
  await put("roll", last!.id, () => last!.body);
  for (const { id, body } of DEMO_LOG.marks.filter(isOfLast)) await put("mark", id, () => body);
  return DEMO_SHOOT_ID;
}

/** The demo shoot again after it was deleted. */
export async function reopenDemoShoot(acting: ActingCrew): Promise<string> {
  requireRight(acting, "arrange");
  await runCommand(acting, { op: "restore", key: randomUUID(), kind: "shoot", id: DEMO_SHOOT_ID }).catch(
    (error: unknown) => {
      if (!(error instanceof Fault && error.code === "missing")) throw error;
    },
  );
  return openDemoShoot(acting);
}
