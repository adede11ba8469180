import * as Type from "@sinclair/typebox";
import type { Static, TSchema } from "@sinclair/typebox";
import { DEVICE_SCHEMAS, AnyFigures, RecorderInput } from "./figures";
import { DEVICE_KINDS } from "./deviceKinds";
import { oneOf } from "../schema";
import { CARRIAGES, CONNECTORS, INPUT_KINDS, POWERS, SOURCE_KINDS, SUPPLIES } from "./ports";
import { DeviceSetting } from "./settings";

const strict = { additionalProperties: false } as const;
const Dbu = (title: string) => Type.Number({ title, unit: "dBu", minimum: -200, maximum: 30 });
const Settings = Type.Array(DeviceSetting, { title: "To set", maxItems: 8 });
const NullableDbu = (title: string) => Type.Union([Dbu(title), Type.Null()]);

export const End = Type.Object(
  { connector: oneOf(CONNECTORS, "Connector"), sex: oneOf(["plug", "socket"], "Plug or socket") },
  strict,
);

/** The owner's own source: figures of a `Source`. */
export const SourceFigures = Type.Object(
  {
    kind: oneOf(SOURCE_KINDS, "What it is"),
    end: End,
    carriage: oneOf(CARRIAGES, "Signal"),
    loudestDbu: Dbu("Loudest"),
    turnsDownDb: Type.Number({ title: "Can be turned down by", unit: "dB", minimum: 0, maximum: 100 }),
    needs: oneOf(POWERS, "Runs on"),
    isHarmedByPhantom: Type.Boolean({ title: "Damaged by phantom power" }),
  },
  strict,
);

/** The owner's own input: figures of an `Input`. */
export const SocketFigures = Type.Object(
  {
    kind: oneOf(INPUT_KINDS, "What it is"),
    end: End,
    takes: Type.Array(oneOf(CARRIAGES, "Signal"), { title: "Takes", minItems: 1, maxItems: 8, uniqueItems: true }),
    clipsDbu: Dbu("Clips at"),
    weakestDbu: Dbu("Too weak below"),
    phantom: oneOf(SUPPLIES, "Phantom power"),
    plugIn: oneOf(SUPPLIES, "Plug-in power"),
    hasOwnMic: Type.Boolean({ title: "Built-in mic" }),
    settings: Settings,
    canBeLinked: Type.Boolean({ title: "Can be stereo-linked" }),
    lineClipsDbu: NullableDbu("Clips at, as line"),
    /** From its data sheet; without it levels are typical of its kind, and settings a range. */
    levels: Type.Optional(
      Type.Object(
        {
          fullScaleDbu: RecorderInput.properties.fullScaleDbu,
          gainMaxDb: RecorderInput.properties.gainMaxDb,
          gainStepDb: RecorderInput.properties.gainStepDb,
          einDbu: RecorderInput.properties.einDbu,
          converterRangeDb: RecorderInput.properties.converterRangeDb,
        },
        { ...strict, title: "Levels from its data sheet" },
      ),
    ),
  },
  strict,
);

/** The owner's own lead or box: figures of a `Part`. */
export const LeadFigures = Type.Object(
  {
    from: End,
    to: End,
    turns: Type.Partial(
      Type.Object(Object.fromEntries(CARRIAGES.map((id) => [id, oneOf(CARRIAGES, "Becomes")])), strict),
    ),
    lossDb: Type.Number({ title: "Loss", unit: "dB", minimum: 0, maximum: 80 }),
    passesPlugIn: Type.Boolean({ title: "Passes plug-in power" }),
    passesPhantom: Type.Boolean({ title: "Passes phantom power" }),
    isHeadsetLoad: Type.Boolean({ title: "Recognised as a mic by phones" }),
    settings: Settings,
    feedsPhantom: Type.Boolean({ title: "Feeds phantom power" }),
    makesPlugIn: Type.Optional(Type.Boolean({ title: "Makes plug-in power of phantom power" })),
    clipsDbu: NullableDbu("Clips at"),
  },
  strict,
);

/** How many of something the crew owns: a part, a system, a microphone, by the key it is counted under. */
export const StockFigures = Type.Object(
  {
    of: Type.String({ minLength: 1, maxLength: 80 }),
    count: Type.Integer({ title: "Owned", minimum: 0, maximum: 99 }),
  },
  strict,
);

/** Something that comes along on every shoot. */
export const ExtraFigures = Type.Object(
  { count: Type.Integer({ title: "How many", minimum: 1, maximum: 99 }) },
  strict,
);

/** The chain a crew usually works with: what the lav plugs into, what leaves the receiver, and where it is recorded. */
export const ChainFigures = Type.Object(
  {
    /** A radio system, or by cable. */
    systemId: Type.String({ title: "Wireless", minLength: 1, maxLength: 80 }),
    sourceId: Type.String({ title: "Output", minLength: 1, maxLength: 80 }),
    inputId: Type.String({ title: "Records into", minLength: 1, maxLength: 80 }),
  },
  strict,
);

export const KIT_KINDS = [...DEVICE_KINDS, "source", "socket", "lead", "stock", "extra", "chain"] as const;
export type KitKind = (typeof KIT_KINDS)[number];

/** Figures of everything in the kit by kind. */
export const KIT_SCHEMAS = {
  ...DEVICE_SCHEMAS,
  source: SourceFigures,
  socket: SocketFigures,
  lead: LeadFigures,
  stock: StockFigures,
  extra: ExtraFigures,
  chain: ChainFigures,
} as const satisfies Record<KitKind, TSchema>;

export const AnyKitFigures = Type.Union([
  AnyFigures,
  SourceFigures,
  SocketFigures,
  LeadFigures,
  StockFigures,
  ExtraFigures,
  ChainFigures,
]);
export type AnyKitFigures = Static<typeof AnyKitFigures>;
