/** What a recordist carries for fixing microphones. Generic materials; common practice. */
interface Row {
  name: string;
  /** What an amount is counted in. */
  unit: "cm" | "pieces";
  /** Used up by one person and never passed on to the next. */
  isForOnePerson: boolean;
}

const ROWS = {
  clip: { name: "lav clip", unit: "pieces", isForOnePerson: false },
  clothTape: { name: "cloth camera tape", unit: "cm", isForOnePerson: true },
  medicalTape: { name: "hypoallergenic medical tape", unit: "cm", isForOnePerson: true },
  stretchTape: { name: "stretch double-sided tape", unit: "cm", isForOnePerson: true },
  felt: { name: "soft felt or moleskin", unit: "pieces", isForOnePerson: true },
  pad: { name: "rubber or foam holder", unit: "pieces", isForOnePerson: false },
  pin: { name: "safety pin", unit: "pieces", isForOnePerson: false },
  wrap: { name: "athletic wrap", unit: "cm", isForOnePerson: true },
  hairClip: { name: "small hair clip", unit: "pieces", isForOnePerson: false },
  thread: { name: "thread", unit: "cm", isForOnePerson: true },
  foam: { name: "foam cap", unit: "pieces", isForOnePerson: false },
  fur: { name: "trimmed fur", unit: "pieces", isForOnePerson: false },
  wipe: { name: "alcohol wipe", unit: "pieces", isForOnePerson: true },
  band: { name: "elastic band for the pack", unit: "pieces", isForOnePerson: false },
  pouch: { name: "pouch for the pack", unit: "pieces", isForOnePerson: false },
  bag: { name: "waterproof bag for the pack", unit: "pieces", isForOnePerson: true },
  extension: { name: "extension cable, 0.5 m", unit: "pieces", isForOnePerson: false },
  weight: { name: "smooth weight on a thread", unit: "pieces", isForOnePerson: false },
} as const satisfies Record<string, Row>;

export type SupplyId = keyof typeof ROWS;
export type Supply = Row;
export const SUPPLY_IDS = Object.keys(ROWS) as [SupplyId, ...SupplyId[]];
export const SUPPLIES: Record<SupplyId, Supply> = ROWS;
