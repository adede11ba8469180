import type { Targets } from "../chain";
import {
  HOUSE_OUTLETS,
  type Input,
  INPUTS,
  PACK_INPUTS,
  type Part,
  PARTS,
  type RecorderInput,
  type Source,
  SOURCES,
} from "../devices";
import { allocate, type FoundPath, ownInputs, ownLeads, ownSources, type Stock, stockOf, type Ways } from "../connect";
import {
  type AirBody,
  type ConnectionBody,
  rememberReads,
  type RigBody,
  rigsOfWearer,
  type ShootBundle,
  type StepDone,
  type Stored,
} from "../records";
import { type SignalPath, setupOf, signatureOf, type StepId, stepsOf } from "../rehearsal";
import { minutesOfDay } from "../schedule";
import { type AirLink, BY_LEAD, type RangeWish } from "../wireless";
import { airBodyOf } from "./airScene";
import { levelsBodyOf, lineOf, targetsFor } from "./levelLines";
import { linkSettings, planWay, wayLevels, type Begins, type WayLevels } from "./linkLevels";
import { placeOfRig, planRig, type RigDevices } from "./planRig";
import { type UsualChain, usualChain } from "./usualChain";

/** A house desk whose outlet is known only on arrival. */
export const HOUSE = "house";
/** A camera without a sound input: recorded beside it. */
export const NO_INPUT = "none";
/** Heard only, on headphones or in an ear: nothing to connect. */
export const EARS = "ears";

/** Day and minutes. */
export type Times = readonly { day: number; fromMin: number; toMin: number }[];

/** One link as it is planned from capsule to file. */
export interface Connection {
  link: AirLink;
  stored: Stored<"connection"> | null;
  sourceId: string;
  inputId: string;
  /** Null: nothing is to be connected. */
  input: Input | null;
  ways: Ways;
  /** Levels along its way, with what stands on its knobs; null where nothing connects it. */
  levels: WayLevels | null;
  /** The link as it is meant to be, for rehearsing; null where nothing connects it. */
  setup: SignalPath | null;
  steps: readonly StepId[];
  /** Steps that are done and still hold. */
  done: ReadonlyMap<StepId, StepDone["how"]>;
  /** Steps that were done for something that has changed since. */
  stale: readonly StepId[];
  /** When it is used; empty: always. */
  times: Times;
}

export const storedConnection = (bundle: ShootBundle, linkId: string): Stored<"connection"> | null =>
  bundle.connections.find(({ body }) => body.linkId === linkId) ?? null;

/** A distance to begin with where no place is known, m. */
const USUAL_RANGE_M = 20;
/** A socket that overloads below this is taken for a minijack, dBu. Estimate. */
const MINIJACK_DBU = -2;

/** Where a link comes from and goes to while nobody has said. */
function usual(
  link: AirLink,
  rig: RigBody | null,
  socketDbu: number | null,
  chain: UsualChain | null,
): { sourceId: string; inputId: string } {
  if (link.wearerId === null || !rig)
    return link.systemId === BY_LEAD
      ? { sourceId: HOUSE, inputId: INPUTS.recorderLine.id }
      : { sourceId: SOURCES.receiver.id, inputId: EARS };
  // What was chosen for somebody goes before what is usual.
  if (chain && rig.inputId === null && (chain.systemId === BY_LEAD) === (link.systemId === BY_LEAD))
    return { sourceId: chain.sourceId, inputId: chain.inputId };
  const inputId = socketDbu !== null && socketDbu < MINIJACK_DBU ? INPUTS.recorder35.id : INPUTS.recorderXlr.id;
  if (link.systemId === BY_LEAD) return { sourceId: SOURCES.lavSelf.id, inputId: INPUTS.recorder35.id };
  return { sourceId: inputId === INPUTS.recorder35.id ? SOURCES.receiver.id : SOURCES.receiverBalanced.id, inputId };
}

/** The kit's device that Level should plan with when a link goes into a generic recorder input; null where it has none. */
export function levelInputOf(kit: ShootBundle["kit"], inputId: string): string | null {
  const isMinijack = inputId === INPUTS.recorder35.id;
  if (!isMinijack && inputId !== INPUTS.recorderXlr.id) return null;
  const overload = (figures: object) => (figures as RecorderInput).maxInputDbu;
  const found = kit.find(({ body }) => body.kind === "input" && overload(body.figures) < MINIJACK_DBU === isMinijack);
  return found?.id ?? null;
}

/** A rig with its plan, for a wearer's first scene. */
function plannedRig(bundle: ShootBundle, wearerId: string | null) {
  const wearer = bundle.wearers.find(({ id }) => id === wearerId);
  const rig = wearer ? (rigsOfWearer(bundle, wearer.id)[0] ?? null) : null;
  if (!wearer || !rig) return null;
  return {
    rig: rig.body,
    plan: planRig(wearer.body, rig.body, placeOfRig(bundle, rig.body)?.body ?? null, bundle.kit),
  };
}

/** When a link is used: day and minutes; empty: always. */
function timesOf(bundle: ShootBundle, { wearerId, sceneIds }: AirLink): Times {
  const ids = wearerId
    ? bundle.rigs.filter(({ body }) => body.wearerId === wearerId).map(({ body }) => body.sceneId)
    : sceneIds;
  return bundle.scenes
    .filter(({ id }) => ids.includes(id))
    .map(({ body }) => {
      const fromMin = minutesOfDay(body.startsAt);
      return { day: body.day, fromMin, toMin: fromMin + body.lengthMin };
    });
}

/** Generic and own sources, inputs and leads that a shoot can choose from. */
export function choicesOf(bundle: ShootBundle): { sources: Source[]; inputs: Input[]; parts: Part[] } {
  return {
    sources: [...Object.values(SOURCES), ...ownSources(bundle.kit)],
    inputs: [...Object.values(INPUTS), ...Object.values(PACK_INPUTS), ...ownInputs(bundle.kit)],
    parts: [...PARTS, ...ownLeads(bundle.kit)],
  };
}

/** Instants at which something begins: no more things are ever on together than at one of them. */
export const startsOf = (all: readonly Times[]): Times => [
  ...new Map(all.flat().map((time) => [`${time.day} ${time.fromMin}`, time])).values(),
];

export const isOnAt = (own: Times, { day, fromMin }: Times[number]): boolean =>
  own.length === 0 || own.some((time) => time.day === day && fromMin >= time.fromMin && fromMin < time.toMin);

/** Numbers of the instants at which a link is used; one for all where nothing has a time. */
function instantsOf(starts: Times, own: Times): Set<number> {
  const found = starts.flatMap((start, index) => (isOnAt(own, start) ? [index] : []));
  return new Set(found.length > 0 ? found : [0]);
}

/** A link before leads are found for it. */
interface Outline {
  link: AirLink;
  stored: Stored<"connection"> | null;
  sourceId: string;
  inputId: string;
  sources: readonly Source[];
  input: Input | null;
  times: Times;
  begins: Begins;
  targets: Targets;
}

/** Where a link comes from and goes to; the wearer's own devices stand for generic ones. */
function outlineOf(bundle: ShootBundle, link: AirLink, choices: ReturnType<typeof choicesOf>): Outline {
  const stored = storedConnection(bundle, link.id);
  const planned = plannedRig(bundle, link.wearerId);
  const said = usualChain(bundle.kit);
  // A device that left the kit is no one's any more.
  const isThere =
    said &&
    choices.sources.some(({ id }) => id === said.sourceId) &&
    choices.inputs.some(({ id }) => id === said.inputId);
  const chain = isThere ? said : null;
  const rough = usual(link, planned?.rig ?? null, planned?.plan.devices.input.maxInputDbu ?? null, chain);
  const { sourceId, inputId } = stored?.body ?? rough;
  const found =
    sourceId === HOUSE ? HOUSE_OUTLETS.map((id) => SOURCES[id]) : choices.sources.filter(({ id }) => id === sourceId);
  const sources: readonly Source[] = found.length > 0 ? found : [SOURCES.receiver];
  const input = choices.inputs.find(({ id }) => id === inputId) ?? null;
  const devices = planned?.plan.devices ?? null;
  const isRadio = link.systemId !== BY_LEAD;
  const isGenericRadio = (source: Source) => isRadio && source.kind === "receiver" && source.id in SOURCES;
  const sound = planned?.plan.sound ?? null;
  const own = planned?.rig ?? lineOf(levelsBodyOf(bundle), link.id).targets;
  return {
    link,
    stored,
    sourceId,
    inputId,
    sources: devices
      ? sources.map((source) =>
          isGenericRadio(source) && source.carriage !== "digital"
            ? { ...source, loudestDbu: devices.receiver.fullOutputDbu, turnsDownDb: -devices.receiver.outputMinDb }
            : source,
        )
      : sources,
    input: input && devices && isRadio ? withDevice(input, devices.input, rough.inputId) : input,
    times: timesOf(bundle, link),
    begins: { devices, sound },
    targets: targetsFor(levelsBodyOf(bundle), own, sound),
  };
}

/** A generic recorder input with what Level's own device says of its socket. */
const withDevice = (input: Input, { maxInputDbu }: RigDevices["input"], roughId: string): Input =>
  input.id === roughId && input.kind === "recorder" && input.id in INPUTS ? { ...input, clipsDbu: maxInputDbu } : input;

/** What has to be set beside what Level plans: a radio's knobs have their figures there. */
const settingsBeside = ({ settings }: FoundPath, isRadio: boolean): FoundPath["settings"] =>
  isRadio ? settings.filter(({ isLevel }) => !isLevel) : settings;

/** A link with the ways that were found for it, what it is meant to be, and which of its steps still hold. */
function connectionOf(
  outline: Outline,
  ways: Ways,
  air: AirBody,
  parts: readonly Part[],
  bundle: ShootBundle,
): Connection {
  const { link, stored, sourceId, inputId, input, times } = outline;
  const shoot = bundle.shoot.body;
  const [first] = ways;
  const system = link.systemId === BY_LEAD ? null : (air.systems.find(({ id }) => id === link.systemId) ?? null);
  const isRadio = first?.source.kind === "receiver" && system !== null;
  const way = first?.path && input ? { source: first.source, path: first.path, input } : null;
  const levels = way && wayLevels(way.source, way.path.parts, way.input, isRadio, outline.begins);
  const meant = levels && linkSettings(levels, planWay(levels, outline.targets));
  const setup =
    way && meant
      ? setupOf({
          name: link.name,
          source: { ...way.source, loudestDbu: meant.loudestDbu },
          input: way.input.lineClipsDbu === null ? { ...way.input, clipsDbu: meant.clipsDbu } : way.input,
          way: way.path.parts,
          shelf: parts,
          settings: settingsBeside(way.path, isRadio),
          system: isRadio ? system : null,
          frequencyMHz: isRadio && system.band === "uhf" ? link.frequencyMHz : null,
          modulationDb: meant.modulationDb,
          sampleRateHz: shoot.sampleRateHz,
          bits: shoot.bitsPerSample,
          right: meant.right,
          isLine: meant.isLine,
          fullScaleDbu: meant.fullScaleDbu,
        })
      : null;
  const steps = setup ? stepsOf(setup) : [];
  const holds = (done: StepDone) => setup !== null && done.holdsFor === signatureOf(setup, done.step);
  const kept = (stored?.body.steps ?? []).filter(({ step }) => steps.includes(step));
  return {
    link,
    stored,
    sourceId,
    inputId,
    input,
    ways,
    levels,
    setup,
    steps,
    done: new Map(kept.filter(holds).map(({ step, how }) => [step, how])),
    // What was only rehearsed is rehearsed again or not: nothing real depends on it.
    stale: kept.filter((done) => done.how === "real" && !holds(done)).map(({ step }) => step),
    times,
  };
}

/** Every link of the shoot from its capsule to its file, with leads from the bag for all of them. A shoot is never changed in place. */
export const connectionsOf: (bundle: ShootBundle) => ConnectionPlan = rememberReads((bundle) =>
  planConnections(bundle, airBodyOf(bundle)),
);

function planConnections(bundle: ShootBundle, air: AirBody): ConnectionPlan {
  const choices = choicesOf(bundle);
  const outlines = air.links.map((link) => outlineOf(bundle, link, choices));
  const starts = startsOf(outlines.map(({ times }) => times));
  const wanted = outlines.flatMap(({ link, sources, input, times }) =>
    input ? [{ id: link.id, sources, input, instants: instantsOf(starts, times) }] : [],
  );
  const stock = stockOf(bundle.kit);
  const allotted = allocate(wanted, choices.parts, stock);
  const connections = outlines.map((outline) =>
    connectionOf(outline, allotted.get(outline.link.id) ?? [], air, choices.parts, bundle),
  );
  return { connections, stock, parts: choices.parts };
}

export interface ConnectionPlan {
  connections: readonly Connection[];
  stock: ReadonlyMap<string, Stock>;
  parts: readonly Part[];
}

/** A link's record as it would be stored. */
export function connectionBodyOf(bundle: ShootBundle, { link, stored, sourceId, inputId }: Connection): ConnectionBody {
  return (
    stored?.body ?? {
      shootId: bundle.shoot.id,
      linkId: link.id,
      sourceId,
      inputId,
      steps: [],
      rehearsal: null,
      range: null,
    }
  );
}

/** How far a link has to reach while nobody has said: from corner to corner of the place of its wearer's first scene. */
export function usualRangeOf(bundle: ShootBundle, { wearerId }: AirLink): RangeWish & { across: string | null } {
  const rig = wearerId ? rigsOfWearer(bundle, wearerId)[0] : undefined;
  const place = rig ? placeOfRig(bundle, rig.body) : null;
  const distanceM = place ? Math.round(Math.hypot(place.body.model.lengthM, place.body.model.widthM)) : USUAL_RANGE_M;
  return { distanceM, bodies: "one", wallsDb: 0, across: place?.body.name ?? null };
}

/** How far a link is: nothing done, all steps proved on the real devices, or done for something that has changed. */
export function pairingOf({ steps, done, stale }: Connection): "open" | "proved" | "stale" {
  if (stale.length > 0) return "stale";
  return steps.length > 0 && steps.every((step) => done.get(step) === "real") ? "proved" : "open";
}
