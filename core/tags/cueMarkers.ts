import { ascii, chunkOf, joined, plain } from "./chunks";

/** A marker for an editing program. */
export interface Marker {
  atFrame: number;
  /** 0 for a point. */
  frames: number;
  label: string;
}

export const CUE_POINT_BYTES = 24;
const LONGEST_LABEL = 200;

/** The cue chunk: points that were there, then those of markers. Source: RIFF/WAVE (1991). */
export function cueChunk(before: Uint8Array, markers: readonly Marker[], firstId: number): Uint8Array {
  const body = new Uint8Array(4 + before.length + CUE_POINT_BYTES * markers.length);
  const view = new DataView(body.buffer);
  view.setUint32(0, before.length / CUE_POINT_BYTES + markers.length, true);
  body.set(before, 4);
  markers.forEach(({ atFrame }, index) => {
    const at = 4 + before.length + CUE_POINT_BYTES * index;
    view.setUint32(at, firstId + index, true);
    view.setUint32(at + 4, atFrame, true);
    body.set(ascii("data"), at + 8);
    view.setUint32(at + 20, atFrame, true);
  });
  return chunkOf("cue ", body);
}

/** The list of labels and lengths of markers. Source: RIFF/WAVE (1991), associated data list. */
export function labelChunk(markers: readonly Marker[], firstId: number): Uint8Array {
  const parts = markers.flatMap(({ label, frames }, index) => {
    const text = new Uint8Array([0, 0, 0, 0, ...ascii(plain(label).slice(0, LONGEST_LABEL)), 0]);
    new DataView(text.buffer).setUint32(0, firstId + index, true);
    const labelled = chunkOf("labl", text);
    if (frames <= 0) return [labelled];
    const length = new Uint8Array(20);
    new DataView(length.buffer).setUint32(0, firstId + index, true);
    new DataView(length.buffer).setUint32(4, frames, true);
    length.set(ascii("rgn "), 8);
    return [labelled, chunkOf("ltxt", length)];
  });
  return chunkOf("LIST", joined([new Uint8Array(ascii("adtl")), ...parts]));
}

/** Cue points in the content of a cue chunk, whole ones only. */
export function pointsIn(body: Uint8Array): Uint8Array {
  const points = Math.max(0, Math.floor((body.length - 4) / CUE_POINT_BYTES));
  return body.subarray(4, 4 + points * CUE_POINT_BYTES);
}

/** Markers of cue points with their labels and lengths. `lists`: contents of LIST chunks. */
export function markersIn(cues: readonly Uint8Array[], lists: readonly Uint8Array[]): Marker[] {
  const labels = new Map<number, string>();
  const lengths = new Map<number, number>();
  for (const list of lists) {
    if (String.fromCharCode(...list.subarray(0, 4)) !== "adtl") continue;
    const view = new DataView(list.buffer, list.byteOffset, list.byteLength);
    for (let at = 4; at + 12 <= list.length;) {
      const id = String.fromCharCode(...list.subarray(at, at + 4));
      const bytes = view.getUint32(at + 4, true);
      const end = Math.min(at + 8 + bytes, list.length);
      const point = view.getUint32(at + 8, true);
      if (id === "labl") labels.set(point, textIn(list.subarray(at + 12, end)));
      if (id === "ltxt" && end >= at + 16) lengths.set(point, view.getUint32(at + 12, true));
      at += 8 + bytes + (bytes % 2);
    }
  }
  return cues.flatMap((body) => {
    const points = pointsIn(body);
    const view = new DataView(points.buffer, points.byteOffset, points.byteLength);
    return Array.from({ length: points.length / CUE_POINT_BYTES }, (_, index): Marker => {
      const id = view.getUint32(index * CUE_POINT_BYTES, true);
      return {
        atFrame: view.getUint32(index * CUE_POINT_BYTES + 20, true),
        frames: lengths.get(id) ?? 0,
        label: labels.get(id) ?? "",
      };
    });
  });
}

/** Plain letters up to the first that is none. */
export function textIn(bytes: Uint8Array): string {
  const end = bytes.indexOf(0);
  return String.fromCharCode(...bytes.subarray(0, end < 0 ? bytes.length : end)).replace(/[^\x20-\x7e]/g, "");
}
