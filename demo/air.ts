import { newLink } from "../core/planning";
import type { AirBody } from "../core/records";
import { type AirLink, BY_LEAD, FIRST_AIR_PLAN, packScan, simulatedScan } from "../core/wireless";
import { DEMO_SHOOT_ID, demoId } from "./recordings";

export const AIR_ID = demoId(81);

/** Who wears which system; everybody else is on the tuned analogue one. */
export interface DemoAir {
  byLead: readonly string[];
  digital: readonly string[];
  banked: readonly string[];
  kit: readonly string[];
  /** Scenes with a desk of the house. */
  deskScenes: readonly string[];
  /** Scene of the call on a computer, and of the report by phone. */
  callScene: string;
  reportScene: string;
}

/** What else sends on the estuary. */
const OTHERS: readonly Pick<AirLink, "id" | "name" | "systemId">[] = [
  { id: "camera-hop", name: "Camera hop", systemId: "uhf-digital" },
  { id: "director", name: "Director's ears", systemId: "uhf-tuned" },
];

/** The air of the demo, scanned at the mill, nobody tuned yet. */
export function demoAir(wearerIds: readonly string[], who: DemoAir): AirBody {
  const systemFor = (id: string) =>
    who.byLead.includes(id)
      ? BY_LEAD
      : who.digital.includes(id)
        ? "uhf-digital"
        : who.banked.includes(id)
          ? "uhf-banks"
          : who.kit.includes(id)
            ? "kit-24"
            : "uhf-tuned";
  const scan = simulatedScan({ place: "Tide mill", hour: 10, fromMHz: 510, toMHz: 620, stepKHz: 25, ownMHz: [] });
  return {
    shootId: DEMO_SHOOT_ID,
    region: FIRST_AIR_PLAN.region,
    rules: FIRST_AIR_PLAN.rules,
    systems: FIRST_AIR_PLAN.systems,
    scan: packScan(scan),
    links: [
      ...wearerIds.map((id) => newLink({ id, wearerId: id, name: id, systemId: systemFor(id) })),
      ...OTHERS.map((other) => newLink(other)),
      newLink({ id: "house-desk", name: "House desk", systemId: BY_LEAD, sceneIds: [...who.deskScenes] }),
      newLink({ id: "call", name: "Safety talk on the call", systemId: "kit-24", sceneIds: [who.callScene] }),
      newLink({ id: "report", name: "Report by phone", systemId: BY_LEAD, sceneIds: [who.reportScene] }),
    ],
  };
}
