import { exactRate, wholeRate } from "../timecode";
import {
  type CutList,
  type Mark,
  type MatchedPicture,
  type MatchedSound,
  type SoundCut,
  underPicture,
} from "./cutList";

const time = (value: number, rate: number) => ({ OTIO_SCHEMA: "RationalTime.1", value, rate });
const range = (from: number, length: number, rate: number) => ({
  ...{ OTIO_SCHEMA: "TimeRange.1", start_time: time(from, rate), duration: time(length, rate) },
});

interface Media {
  name: string;
  rate: number;
  /** First unit of the file and how many there are. */
  start: number;
  length: number;
}

/** A mark of a clip; times are of the file, as its range is. */
const marker = (at: number, rate: number, label: string) => ({
  ...{ OTIO_SCHEMA: "Marker.2", name: label, marked_range: range(at, 0, rate), color: "GREEN", comment: "" },
  metadata: {},
});

const clip = (media: Media, from: number, length: number, metadata: object, markers: readonly object[] = []) => ({
  OTIO_SCHEMA: "Clip.2",
  name: media.name,
  source_range: range(from, length, media.rate),
  effects: [],
  markers,
  enabled: true,
  metadata,
  media_references: {
    DEFAULT_MEDIA: {
      OTIO_SCHEMA: "ExternalReference.1",
      target_url: encodeURIComponent(media.name),
      available_range: range(media.start, media.length, media.rate),
      metadata: {},
    },
  },
  active_media_reference_key: "DEFAULT_MEDIA",
});

const gap = (length: number, rate: number) => ({
  ...{ OTIO_SCHEMA: "Gap.1", name: "", source_range: range(0, length, rate), effects: [], markers: [], enabled: true },
  metadata: {},
});

const track = (name: string, kind: "Video" | "Audio", children: object[]) => ({
  ...{ OTIO_SCHEMA: "Track.1", name, kind, source_range: null, effects: [], markers: [], enabled: true, children },
  metadata: {},
});

/** Sounds under pictures, on as many tracks as lie over each other under any one of them. */
function soundTracks(pictures: readonly MatchedPicture[], lengthOf: (picture: MatchedPicture) => number): object[] {
  const count = pictures.reduce((most, { sounds }) => Math.max(most, sounds.length), 0);
  return Array.from({ length: count }, (_, lane) => {
    const children: object[] = [];
    // What is left over where pictures end between samples is made up for with the next.
    let atS = 0;
    let doneS = 0;
    const fill = (toS: number, rate: number) => {
      const samples = Math.round((toS - doneS) * rate);
      if (samples > 0) children.push(gap(samples, rate));
      doneS += Math.max(0, samples) / rate;
    };
    for (const picture of pictures) {
      const sound: MatchedSound | undefined = picture.sounds[lane];
      if (sound) {
        const rate = sound.sampleRateHz;
        const { fromS, toS, soundFromS } = underPicture(picture, sound);
        fill(atS + fromS, rate);
        const start = Math.round((sound.startS ?? 0) * rate);
        const media = { name: sound.name, rate, start, length: Math.round(sound.seconds * rate) };
        const length = Math.round((Math.min(toS, lengthOf(picture)) - fromS) * rate);
        children.push(
          clip(media, start + Math.round(soundFromS * rate), length, {
            lineUp: { offsetS: sound.offsetS, driftPpm: sound.driftPpm },
          }),
        );
        doneS += length / rate;
      }
      atS += lengthOf(picture);
    }
    return track(`Sound ${lane + 1}`, "Audio", children);
  });
}

/**
 * The edit as an OpenTimelineIO document: pictures one after the other, their sound below to the sample. Source: the public
 * description of the file format (schemas Timeline.1, Stack.1, Track.1, Clip.2, Gap.1, ExternalReference.1), from memory.
 */
export function otioOf({ title, frameRate, pictures }: CutList): string {
  const rate = exactRate(frameRate);
  const framesOf = ({ seconds }: MatchedPicture) => Math.max(1, Math.round(seconds * rate));
  const shots = pictures.map((picture) => {
    const start = Math.round((picture.startS ?? 0) * rate);
    const media = { name: picture.name, rate, start, length: framesOf(picture) };
    const markers = (picture.marks ?? []).map(({ atS, label }: Mark) =>
      marker(start + Math.round(atS * rate), rate, label),
    );
    return clip(media, start, framesOf(picture), {}, markers);
  });
  return documentOf(title, time(3600 * wholeRate(frameRate), rate), [
    track("Picture", "Video", shots),
    ...soundTracks(pictures, (picture) => framesOf(picture) / rate),
  ]);
}

/** A cut of one recording as a document: its stretches to the sample. */
export function cutOtioOf({ title, frameRate, name, startS, sampleRateHz, frames, segments }: SoundCut): string {
  const start = Math.round((startS ?? 0) * sampleRateHz);
  const media = { name, rate: sampleRateHz, start, length: frames };
  const clips = segments.map(({ from, to, isTone }) =>
    clip(media, start + from, to - from, isTone ? { roomTone: true } : {}),
  );
  const rate = exactRate(frameRate);
  return documentOf(title, time(3600 * wholeRate(frameRate), rate), [track("Sound", "Audio", clips)]);
}

function documentOf(title: string, global_start_time: object, children: readonly object[]): string {
  const timeline = {
    OTIO_SCHEMA: "Timeline.1",
    name: title,
    global_start_time,
    metadata: {},
    tracks: {
      ...{ OTIO_SCHEMA: "Stack.1", name: "tracks", source_range: null, effects: [], markers: [], enabled: true },
      metadata: {},
      children,
    },
  };
  return `${JSON.stringify(timeline, null, 2)}\n`;
}
