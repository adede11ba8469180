import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { oneOf } from "../schema";
import { MOUNT_IDS, PORTS, SURFACES } from "./mounts";
import type { Option } from "./options";
import { MAX_LAYERS } from "./outfit";
import { SITE_IDS } from "./sites";

/** Where somebody decided that the microphone goes, and how; kept with the rig. */
export const Choice = Type.Object(
  {
    site: oneOf(SITE_IDS, "Site"),
    surface: oneOf(SURFACES, "Surface"),
    layer: Type.Union([Type.Integer({ minimum: 0, maximum: MAX_LAYERS - 1 }), Type.Null()]),
    mount: oneOf(MOUNT_IDS, "Mount"),
    port: oneOf(PORTS, "Port"),
  },
  { additionalProperties: false },
);
export type Choice = Static<typeof Choice>;

/** What is kept of an option when somebody chooses it. */
export function choiceOf({ site, placement, mount, port }: Option): Choice {
  return { site: site.id, surface: placement.surface, layer: placement.layer, mount: mount.id, port };
}

/** Whether an option is what was chosen. */
export function isChoice(option: Option, choice: Choice): boolean {
  return (
    option.site.id === choice.site &&
    option.placement.surface === choice.surface &&
    option.placement.layer === choice.layer &&
    option.mount.id === choice.mount &&
    option.port === choice.port
  );
}

/** Whether two choices are the same. */
export function sameChoice(one: Choice | null, other: Choice | null): boolean {
  if (one === null || other === null) return one === other;
  return (Object.keys(Choice.properties) as (keyof Choice)[]).every((key) => one[key] === other[key]);
}
