import type { RefusalCatalogue } from "../../core/audio";
import type { Templates } from "../templates";
import { figure, list } from "./words";

const DAMAGED = "its header is damaged";

export const audio: Templates<RefusalCatalogue> = {
  "refused.formatCutShort": () => "The format block of this file is truncated: it cannot be read.",
  "refused.makersFormat": () => "This WAV holds a format of its maker's own. Export it as WAV PCM.",
  "refused.otherFormat": ({ format }) =>
    `This WAV holds ${typeof format === "number" ? `format code ${format}` : format}; only PCM and float are measured. Export it as WAV PCM.`,
  "refused.noChannels": () => `The file says it has no channels: ${DAMAGED}.`,
  "refused.manyChannels": ({ channels, most }) =>
    `The file says it has ${channels} channels; up to ${most} are measured.`,
  "refused.sampleRate": ({ sampleRateHz }) => `The file says ${sampleRateHz} Hz; 8 000 to 192 000 Hz are measured.`,
  "refused.bits": ({ bits, allowed, isFloat }) =>
    `The file says ${bits} bits per sample; ${list(allowed.map(String))} are measured for ${isFloat ? "float" : "PCM"}.`,
  "refused.contradiction": () =>
    `The channel count, bits and frame size of this file contradict each other: ${DAMAGED}.`,
  "refused.empty": () => "The file is empty.",
  "refused.notWav": () => "This is not a WAV file.",
  "refused.otherFile": ({ is }) => `This is ${is}, not a WAV, whatever its name says.`,
  "refused.tooShort": () => "The file is too short to be a recording.",
  "refused.soundFirst": () => `The sound comes before its description in this file: ${DAMAGED}.`,
  "refused.noSound": () => "The file has a header but no sound.",
  "refused.noFormat": () => "The file has no format block: it is damaged, or not a WAV.",
  "refused.tooLong": ({ seconds, mostS }) =>
    `This lasts ${figure(seconds)} s; up to ${mostS} s are read here. Record it alone, or cut it out.`,
  "refused.noTrack": ({ track, channels }) => `There is no track ${track + 1}: the file has ${channels}.`,
  "refused.oneTrack": () => "It has one track only: there is nothing to split.",
  "refused.tracksDiffer": ({ isTime }) =>
    isTime
      ? "These files begin at different times: they are not of one take."
      : "These files differ in sample rate or bits: they cannot be one file.",
  "refused.truncated": () => "The file is truncated: copy it from the card again before marking it.",
  "refused.tooLargeForMarkers": () => "With markers this WAV would exceed 4 GB: export the findings as CSV instead.",
  "refused.missing": () => "There is no such file.",
  "refused.noPermission": () => "You have no permission to read it.",
  "refused.linkLoop": () => "It is a link that leads to itself.",
  "refused.nameTooLong": () => "The name is too long.",
  "refused.manyOpen": () => "Too many files are open: close other programs and try again.",
  "refused.pipe": () => "It is a pipe or a device: save it as a file first.",
  "refused.folder": () => "It is a folder: name the files in it.",
  "refused.readBrokeOff": ({ because }) => `It could not be read to its end: is the card still in? (${because})`,
  "refused.wentAway": () => "It went away while it was measured: is the card still in?",
  "refused.unreadable": () => "The file could not be read: is the card still in?",
  "refused.largeCompressed": ({ megabytes, most }) =>
    `Files that are not WAV are read up to ${most} MB; this has ${figure(megabytes)} MB. Convert it to WAV.`,
  "refused.notPicture": () => "Neither picture nor sound in it: damaged, or copied only in part. Copy it again.",
  "refused.brokenPicture": () => "This picture file cannot be read: damaged, half copied, or locked. Copy it again.",
  "refused.noStills": ({ codec }) => `This browser does not show ${codec}: its frames cannot be looked at here.`,
  "refused.unwritable": ({ isFull }) =>
    isFull
      ? "The disk is full. Nothing half written is left: make room, and try again."
      : "It cannot be written there. Choose another folder.",
  "refused.cannotDecode": () => "This browser cannot decode the file. Convert it to WAV.",
  "refused.shrank": () => "It became shorter while it was measured.",
};
