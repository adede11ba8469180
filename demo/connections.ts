import { HOUSE } from "../core/planning";
import type { ConnectionBody, KitItemBody } from "../core/records";
import { DEMO_SHOOT_ID, demoId } from "./recordings";

/** The miller's link, proved on the first morning. */
export const PAIRED_ID = demoId(90);

const connection = (linkId: string, sourceId: string, inputId: string): ConnectionBody => ({
  shootId: DEMO_SHOOT_ID,
  linkId,
  sourceId,
  inputId,
  steps: [],
  rehearsal: null,
  range: null,
});

/** Who goes where; everybody else's receiver into the pocket recorder. */
export interface DemoLinks {
  phone: string;
  stream: string;
  xlr: readonly string[];
}

/** Where the demo's links come from and go to. */
export function demoConnections({ phone, stream, xlr }: DemoLinks): Record<string, ConnectionBody> {
  const all = [
    connection("house-desk", HOUSE, "recorderLine"),
    connection("camera-hop", "receiver", "cameraNoPhones"),
    connection("call", "receiver", "computerMic"),
    connection("report", "micDynamic", "phoneData"),
    connection(phone, "receiver", "phone"),
    connection(stream, "receiverBalanced", "streamMixer"),
    ...xlr.map((id) => connection(id, "receiverBalanced", "recorderXlr")),
  ];
  return Object.fromEntries(all.map((body, index) => [demoId(91 + index), body]));
}

const HIRED: readonly (readonly [string, string, number])[] = [
  ["trs35-trs35", "3.5 mm TRS cable", 4],
  ["trs35-xlr", "3.5 mm TRS to XLR cable, balanced", 2],
  ["xlr-trs635", "XLR to 6.35 mm TRS cable, balanced", 2],
  ["lead-omtp", "3.5 mm TRS to TRRS cable, OMTP", 1],
  ["lav", "lavalier for a pack", 9],
  ["system:uhf-tuned", "analogue UHF, tuned in steps: pack and receiver", 4],
  ["system:uhf-digital", "digital UHF, tuned in steps: pack and receiver", 3],
  ["system:uhf-banks", "analogue UHF, banks of presets: pack and receiver", 2],
  ["system:kit-24", "2.4 GHz clip-on kit: pack and receiver", 1],
];

/** What is hired for the demo; the crew's own kit is not touched. */
export const DEMO_KIT: Record<string, KitItemBody> = Object.fromEntries(
  HIRED.map(([of, name, count], index) => [
    demoId(111 + index),
    { shootId: DEMO_SHOOT_ID, kind: "stock", name, figures: { of, count } },
  ]),
);
