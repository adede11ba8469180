import type { DeliverCatalogue } from "../../core/deliver";
import type { Templates } from "../templates";

const signed = (value: number): string => `${value < 0 ? "−" : ""}${Math.abs(value).toFixed(1)}`;
const TARGETS: Record<DeliverCatalogue["deliver.target"]["target"], string> = {
  r128: "Broadcast, EBU R 128",
  a85: "Broadcast, ATSC A/85",
  online: "Speech online",
};

export const deliver: Templates<DeliverCatalogue> = {
  "deliver.target": ({ target }) => TARGETS[target],
  "deliver.done": ({ integratedLufs, truePeakDbtp, gainDb, limitedDb }) =>
    [
      `${signed(integratedLufs)} LUFS, true peak ${signed(truePeakDbtp)} dBTP, ${gainDb < 0 ? "turned down" : "turned up"} by ${Math.abs(gainDb).toFixed(1)} dB`,
      limitedDb > 0.05 ? `Peaks held by up to ${limitedDb.toFixed(1)} dB` : "No peak had to be held",
    ].join(". ") + ".",
  "deliver.off": ({ integratedLufs, wantedLufs }) =>
    `${signed(integratedLufs)} LUFS instead of ${signed(wantedLufs)}: the peaks are too high for this loudness. Even out the level in the edit.`,
  "deliver.apart": ({ channel, reference, lateMs, fartherM, isInverted }) => {
    const when =
      Math.abs(lateMs) < 0.1
        ? `Track ${channel + 1} hears the voice with track ${reference + 1}`
        : `Track ${channel + 1} hears the voice ${Math.abs(lateMs).toFixed(1)} ms ${lateMs > 0 ? "after" : "before"} track ${reference + 1}: ${Math.abs(fartherM).toFixed(1)} m ${lateMs > 0 ? "farther" : "nearer"}`;
    return `${when}${isInverted ? ", with opposite polarity" : ""}.`;
  },
  "deliver.silent": () => "It is silent: there is no loudness to bring anywhere.",
};
