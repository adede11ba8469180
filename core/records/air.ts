import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { AirPlan, PackedScan } from "../wireless";
import { Id, strict } from "./fields";

/** What a shoot does on the air; one for a shoot. */
export const AirBody = Type.Object(
  {
    shootId: Id,
    region: AirPlan.properties.region,
    rules: AirPlan.properties.rules,
    systems: AirPlan.properties.systems,
    links: AirPlan.properties.links,
    scan: Type.Union([PackedScan, Type.Null()]),
  },
  strict,
);
export type AirBody = Static<typeof AirBody>;
