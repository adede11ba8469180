/**
 * Copies that anybody can verify: what the files of a bag say (RFC 8493), written and read; nothing here touches a disk.
 */
export {
  BAG_DECLARATION,
  bagInfo,
  decodedPath,
  encodedPath,
  type Hashed,
  manifestOf,
  payloadOxum,
  readManifest,
  type ManifestLine,
} from "./bag";
export { journalLine, readJournal, type CopiedFile } from "./journal";
