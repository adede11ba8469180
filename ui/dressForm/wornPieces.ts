import type { Accessory } from "@/core/dress";
import { seamPath, type ViewName } from "./outline";

/** Outlines of what is worn beside clothes, in thousandths of the height. Drawing only. */
export function wornPieces(accessory: Accessory, view: ViewName): string[] {
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
    default:
      return [];
  }
}
