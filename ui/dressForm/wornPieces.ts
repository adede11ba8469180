import type { Accessory, Lower, Outfit, Side } from "@/core/dress";
import { seamPath, type ViewName } from "./outline";

/** A strap from one shoulder to the other hip; in front the wearer's left is on our right. */
function acrossChest(side: Side, view: ViewName): string[] {
  if (view === "side") return [];
  const towards = (side === "left") === (view === "front") ? 1 : -1;
  return [`M${70 * towards} -838L${-95 * towards} -600`];
}

/** Two straps over the shoulders. */
const OVER_SHOULDERS = ["M70 -838Q78 -760 84 -690", "M-70 -838Q-78 -760 -84 -690"];

/** What is worn below the waist. Drawing only. */
export function lowerPieces(lower: Lower | null, view: ViewName): string[] {
  const half = view === "side" ? 0.6 : 1;
  const leg = (to: number, inner: number) =>
    [1, -1].map((side) => `M0 -600H${96 * half * side}L${104 * half * side} ${to}H${inner * half * side}L0 -520Z`);
  switch (lower) {
    case "trousers":
    case "tights":
      return leg(-400, 14);
    case "shorts":
      return leg(-440, 14);
    case "trunks":
      return leg(-470, 12);
    case "skirt":
    case "kilt":
      return [`M${-94 * half} -600H${94 * half}L${128 * half} -410H${-128 * half}Z`];
    case "bare":
    case null:
      return [];
  }
}

/** Outlines of what is worn beside clothes, in thousandths of the height. Drawing only. */
export function wornPieces(accessory: Accessory, view: ViewName, sides: Outfit["sides"] = {}): string[] {
  const centre = view === "side" ? 0.01 : 0;
  switch (accessory) {
    case "tie":
      return view === "front"
        ? [
            seamPath([
              [-0.008, 0.832],
              [0.008, 0.832],
              [0.006, 0.815],
              [0.016, 0.68],
              [0, 0.66],
              [-0.016, 0.68],
              [-0.006, 0.815],
            ]),
          ]
        : [];
    case "bowTie":
      return view === "front"
        ? [
            seamPath([
              [-0.03, 0.838],
              [0, 0.83],
              [0.03, 0.838],
              [0.03, 0.818],
              [0, 0.826],
              [-0.03, 0.818],
            ]),
          ]
        : [];
    case "scarf":
      return [`M-46 -850Q0 -800 46 -850Q52 -822 30 -806Q0 -790 -30 -806Q-52 -822 -46 -850Z`];
    case "necklace":
      return view === "back" ? [] : [`M-40 -838Q0 -770 40 -838`];
    case "hat":
    case "hardHat": {
      const brim = accessory === "hat" ? 82 : 62;
      const x = centre * 1000;
      return [`M${x - 48} -968Q${x} -1032 ${x + 48} -968Z`, `M${x - brim} -966H${x + brim}`];
    }
    case "beanie":
      return [`M${centre * 1000 - 50} -958Q${centre * 1000} -1030 ${centre * 1000 + 50} -958Z`];
    case "sealedHood":
    case "openHelmet": {
      const x = centre * 1000;
      const visor = accessory === "sealedHood" && view !== "back" ? [`M${x - 34} -958h68v34h-68Z`] : [];
      return [`M${x - 66} -860Q${x - 80} -1020 ${x} -1024Q${x + 80} -1020 ${x + 66} -860Z`, ...visor];
    }
    case "seatBelt":
    case "bagStrap":
      return acrossChest(sides[accessory] ?? "left", view);
    case "rucksack":
      return view === "front" ? OVER_SHOULDERS : view === "back" ? ["M-90 -830H90V-600H-90Z"] : [];
    case "rucksackChest":
    case "chairHarness":
      return view === "front" ? [...OVER_SHOULDERS, "M-82 -735H82"] : [];
    case "babyCarrier":
      return view === "front" ? [...OVER_SHOULDERS, "M-70 -770Q0 -800 70 -770V-600Q0 -580 -70 -600Z"] : [];
    case "stethoscope":
      return view === "front" ? ["M-44 -846Q-60 -760 -30 -730", "M44 -846Q60 -750 30 -700M30 -700v14"] : [];
    case "braces":
      return view === "side" ? [] : ["M60 -838L56 -600", "M-60 -838L-56 -600"];
    case "medals": {
      const towards = (sides.medals ?? "left") === "left" ? 1 : -1;
      return view === "front" ? [`M${36 * towards} -752H${84 * towards}v26H${36 * towards}Z`] : [];
    }
    case "bodyRadio": {
      const towards = (sides.bodyRadio ?? "left") === "left" ? 1 : -1;
      return view === "front" ? [`M${62 * towards} -812h${26 * towards}v44h${-26 * towards}Z`] : [];
    }
    case "crown":
      return [`M${centre * 1000 - 50} -962v-40l25 18l25 -26l25 26l25 -18v40Z`];
    case "turban":
      return [
        `M${centre * 1000 - 56} -952Q${centre * 1000} -1046 ${centre * 1000 + 56} -952Q${centre * 1000} -985 ${centre * 1000 - 56} -952Z`,
      ];
    case "headscarf":
      return [`M-62 -830Q-78 -1016 0 -1018Q78 -1016 62 -830Q0 -790 -62 -830Z`];
    case "veil":
      return view === "front"
        ? ["M-58 -970Q-96 -860 -104 -720", "M58 -970Q96 -860 104 -720"]
        : ["M-60 -985Q0 -1020 60 -985L104 -640H-104Z"];
    case "cravat":
      return view === "front" ? ["M-36 -842Q0 -800 36 -842L20 -790Q0 -776 -20 -790Z"] : [];
    default:
      return [];
  }
}
