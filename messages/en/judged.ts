import type { Judged, SchoolAnswer, SchoolQuestion, Step } from "../../core/dress";

/** What each step of a judgement is called, best first. */
export const JUDGED_NAMES: Record<Judged, Readonly<Record<Step, string>>> = {
  rustle: ["quiet", "slight", "likely", "heavy"],
  unseen: ["hidden", "barely seen", "noticeable", "in plain sight"],
  weather: ["sheltered", "slight", "exposed", "fully exposed"],
  holding: ["holds", "check it now and then", "may come off", "will come off"],
};

/** What each question on which recordists differ is called, its answers, and what is done while it is left open. */
export const SCHOOL_WORDS: {
  [Question in SchoolQuestion]: { question: string; auto: string; answers: Record<SchoolAnswer<Question>, string> };
} = {
  distance: {
    question: "Distance",
    auto: "Close in noise and for quiet voices, otherwise on the chest.",
    answers: { auto: "By noise and voice", near: "Near the mouth, 10–18 cm", chest: "Mid-chest, 25–30 cm" },
  },
  stickTo: {
    question: "Stick to",
    auto: "By what rubs, shows, sweats and pulls.",
    answers: { auto: "By what rubs", skin: "Skin", garment: "Garment" },
  },
  port: {
    question: "Capsule points",
    auto: "Down where breath or rain can reach it.",
    answers: { auto: "Down near breath", down: "Down", mouth: "To the mouth" },
  },
  collar: {
    question: "Shirt collar",
    auto: "By how much its level swings.",
    answers: { auto: "By its swing", welcome: "Best hiding place", avoid: "Avoid: uneven" },
  },
  mount: {
    question: "Mount",
    auto: "By what holds best and shows least.",
    answers: { auto: "By what holds", pads: "Ready-made pads", triangles: "Folded tape" },
  },
};
