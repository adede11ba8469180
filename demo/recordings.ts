/** The demo shoot's recordings and what they belong to: all of the demo that screens know. */

export const demoId = (number: number) => `51ac0000-0000-4000-8000-${String(number).padStart(12, "0")}`;
export const DEMO_SHOOT_ID = demoId(1);
export const GRANARY_ID = demoId(11);
export const MILLER_RIG = demoId(41);
export const ENGINEER_RIG = demoId(42);
export const SINGER_RIG = demoId(43);

export interface DemoRecording {
  file: string;
  title: string;
  rigId: string;
  /** Whether it is measured already when the demo is opened. */
  isMeasured: boolean;
}

export const DEMO_RECORDINGS: readonly DemoRecording[] = [
  { file: "miller-granary.wav", title: "Miller, granary, take 3", rigId: MILLER_RIG, isMeasured: true },
  { file: "engineer-quay.wav", title: "Engineer, quay, take 1", rigId: ENGINEER_RIG, isMeasured: false },
  { file: "singer-hall.wav", title: "Singer, hall, take 1", rigId: SINGER_RIG, isMeasured: true },
];

/** A clap in the granary, made with a longer echo than its forecast. */
export const DEMO_CLAP = {
  file: "granary-clap.wav",
  title: "Clap in the granary",
  placeId: GRANARY_ID,
} as const;

/** What the cameras took of two of the recordings; see makePictures.sh. */
export const DEMO_PICTURES = ["camera-granary.mp4", "camera-quay.mp4"] as const;

/** Voices of the recordings on the demo's card. */
export type CardVoice = "miller" | "engineer" | "singer";

/** The demo's card: the three days of the shoot, made when they are asked for. */
export const CARD_FILES = [
  "D1_S01_T04_Tam.wav",
  "D1_S01_T05_Tam.wav",
  "D1_S01_T06_Tam.wav",
  "D1_S01_T07_Tam.wav",
  "D1_S02_T02_Ines.wav",
  "D1_S02_T03_Ines.wav",
  "D1_S02_T04_Ines.wav",
  "D1_S02_T05_Ines.wav",
  "D1_S02_T06_Ines.wav",
  "D1_S02_T07_Ines.wav",
  "D3_S04_T02_Odile.wav",
  "D3_S04_T03_Odile.wav",
  "D3_S04_T04_Odile.wav",
  "D3_S04_T05_Odile.wav",
  "D3_S03_T01_Tam.wav",
  "D3_S03_T02_Tam.wav",
  "D3_S03_T03_Tam.wav",
  "D2_S01_T01_Jory.wav",
  "D2_S02_T01_Wen.wav",
  "D2_S01_T02_Jory.wav",
  "D2_S02_W01_Wen.wav",
] as const;
export type CardFileName = (typeof CARD_FILES)[number];
