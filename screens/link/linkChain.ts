import { minus } from "@/core/sound";
import type { Ways } from "@/core/connect";
import type { PlacedSetting } from "@/core/devices";
import { say } from "@/messages";
import { gainMessages } from "@/core/rehearsal";
import { BY_LEAD, presetName, type RadioSystem } from "@/core/wireless";
import type { Connection } from "@/core/planning";
import type { ShootBody } from "@/core/records";

/** One thing on the way from the capsule to the file, with what is set on it. */
export interface ChainLink {
  id: string;
  kind: "capsule" | "pack" | "source" | "part" | "input" | "file";
  name: string;
  settings: readonly string[];
  /** Not in the kit. */
  isMissing: boolean;
  /** Reached through the air. */
  byAir: boolean;
}

const step = (id: string, kind: ChainLink["kind"], name: string, settings: readonly string[] = []): ChainLink => ({
  id,
  kind,
  name,
  settings,
  isMissing: false,
  byAir: false,
});

const tuning = (system: RadioSystem, frequencyMHz: number | null): string[] => {
  if (system.band !== "uhf") return ["2.4 GHz, paired"];
  if (frequencyMHz === null) return ["no frequency yet"];
  const preset = presetName(system, frequencyMHz);
  return [`${frequencyMHz.toFixed(3)} MHz`, ...(preset ? [preset] : [])];
};

/** One way of a connection, capsule to file. Settings are named at the thing that they are made on. */
export function chainOfWay(
  { link, input, setup }: Connection,
  { source, path }: Ways[number],
  systems: readonly RadioSystem[],
  { sampleRateHz, bitsPerSample }: ShootBody,
): ChainLink[] {
  const system = link.systemId === BY_LEAD ? undefined : systems.find(({ id }) => id === link.systemId);
  const isRadio = system !== undefined && source.kind === "receiver";
  const right = setup && isRadio ? setup.right : null;
  // What is planned for a radio's knobs stands at its things; taps belong to pairing.
  const toSet = (path?.settings ?? []).filter(
    ({ setting, isLevel }) => setting.code !== "setting.tapTest" && !(right && isLevel),
  );
  const at = (on: PlacedSetting["on"]): string[] =>
    toSet.filter((each) => each.on === on).map((each) => say(each.setting));
  const parts = path?.parts ?? [];
  return [
    ...(isRadio && link.wearerId !== null ? [step("capsule", "capsule", "lavalier")] : []),
    ...(isRadio
      ? [
          step("pack", "pack", "pack", [
            ...tuning(system, link.frequencyMHz),
            ...(right ? [`sensitivity ${minus(right.sensitivityDb)} dB`] : []),
          ]),
        ]
      : []),
    {
      ...step("source", "source", source.name, right ? [`output ${minus(right.outputDb)} dB`] : at("source")),
      byAir: isRadio,
    },
    ...parts.map((part, index) => ({
      ...step(`part-${index}`, "part", part.name, at(index)),
      isMissing: !part.isOwned,
    })),
    ...(input
      ? [
          step("input", "input", input.name, [...(setup ? gainMessages(setup).map(say) : []), ...at("input")]),
          step("file", "file", `${sampleRateHz / 1000} kHz, ${bitsPerSample} bit`, []),
        ]
      : []),
  ];
}

/** The way in a few words for a list: leads only. */
export function briefWay({ input, inputId, ways }: Connection, earsId: string): string {
  if (!input) return inputId === earsId ? "heard only" : "recorded beside it";
  if (ways.length > 1) return `a cable for each outlet, into ${input.name}`;
  const path = ways[0]?.path;
  if (!path) return `nothing fits ${input.name}`;
  return `${path.parts.map(({ name }) => name).join(", ") || "straight"} into ${input.name}`;
}
