/**
 * Words in sound files: broadcast chunks, iXML, cue points with labels. Read from any file, written into copies.
 */
export type { BroadcastFacts } from "./bext";
export type { Marker } from "./cueMarkers";
export { rateRatio, type IxmlFacts, type TrackName } from "./ixml";
export { readTags, taggedCopy, type FileTags, type TaggedCopy, type Tags } from "./taggedCopy";
export {
  monoFiles,
  monoSound,
  polyFile,
  renderedHead,
  type MonoFile,
  type PolyFile,
  type RenderedForm,
} from "./trackFiles";
