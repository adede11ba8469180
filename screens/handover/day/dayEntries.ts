import { marksByRoll, nameFacts, reportOf, rollSetupOf, takeTags } from "@/core/planning";
import { type CutList, edlOf, type Mark, otioOf } from "@/core/lists";
import type { ShootBundle } from "@/core/records";
import { nameBy, schemeFault } from "@/core/roll";
import { readWavHeader } from "@/core/audio";
import { partsOf } from "@/core/sync";
import { taggedCopy } from "@/core/tags";
import { isDropRate, timecodeAt } from "@/core/timecode";
import { dayReadme, markName } from "@/messages";
import { blobSource } from "@/workers/blobSource";
import type { Entry } from "@/workers/copyWorker";
import { trackBlobs } from "../../check/writeCopies";
import { copyBlob } from "../../files/copyBlob";
import { csvOf, type Cell } from "../../files/csv";
import { reportCells } from "../../roll/reportCells";
import { takeName } from "../../roll/rollWords";
import { cutListOf } from "../cutListOf";
import { nameOf, offsetOf, overlapOf, type Pair } from "../pairs";
import type { DayTake } from "./dayTakes";

export interface DayWish {
  day: number;
  /** Each track in a file of its own. */
  isPerTrack: boolean;
  /** The sound report as PDF; null where there is no signal to fetch it. */
  report: Blob | null;
  pairs: readonly Pair[];
  /** Today, "2027-05-11". */
  date: string;
}

const MARK_HEAD = ["take", "file", "at s", "timecode", "mark", "note"] as const;

/** Names in a folder, each once. */
function namesOnce() {
  const taken = new Set<string>();
  return (name: string): string => {
    let own = name;
    for (let number = 2; taken.has(own.toLowerCase()); number += 1) own = `${name}_${number}`;
    taken.add(own.toLowerCase());
    return own;
  };
}

/**
 * Everything that is handed over of a day: sound with its words in it, lists for the edit, the report, and a page that says what
 * is what. Sound is read only when it is written.
 */
export async function dayEntries(bundle: ShootBundle, takes: readonly DayTake[], wish: DayWish): Promise<Entry[]> {
  const { scheme, counter } = rollSetupOf(bundle);
  const { title, frameRate } = bundle.shoot.body;
  const isDrop = isDropRate(frameRate);
  const marks = marksByRoll(bundle);
  const once = namesOnce();
  const entries: Entry[] = [];
  const text = (path: string, type: string, content: string) =>
    entries.push({ path, blob: new Blob([content], { type }), changedMs: 0 });
  /** What files are called now, by what they were called, and what was marked in them. */
  const renamed = new Map<string, string>();
  const marksIn = new Map<string, Mark[]>();
  const marked: Cell[][] = [[...MARK_HEAD]];
  let [soundFiles, missing] = [0, 0];
  for (const { roll, files } of takes) {
    if (!files) {
      missing += 1;
      continue;
    }
    const own = marks.get(roll.id) ?? [];
    const labelOf = ({ body }: (typeof own)[number]) => `${markName(body.kind)}${body.note && `: ${body.note}`}`;
    const byScheme = schemeFault(scheme) ? "" : nameBy(scheme, nameFacts(bundle, roll.body, counter));
    let fromS = 0;
    for (const [at, { file, path }] of files.entries()) {
      const { sampleRateHz, frames } = await readWavHeader(blobSource(file));
      const part = { fromS, lengthS: frames / sampleRateHz, sampleRateHz };
      const tags = takeTags(bundle, roll, own, { name: takeName(roll.body), labelOf }, part);
      const copy = copyBlob(file, await taggedCopy(blobSource(file), tags));
      const stem = roll.body.fileName || byScheme || file.name.replace(/\.[^.]*$/, "");
      const name = once(`${stem}${files.length > 1 ? `_part${at + 1}` : ""}`);
      for (const { suffix, blob } of wish.isPerTrack ? await trackBlobs(copy) : [{ suffix: "", blob: copy }]) {
        entries.push({ path: `sound/${name}${suffix}.wav`, blob, changedMs: file.lastModified });
        soundFiles += 1;
      }
      renamed.set(path, `${name}${wish.isPerTrack ? "_1" : ""}.wav`);
      const inFile: Mark[] = [];
      marksIn.set(path, inFile);
      for (const mark of own) {
        const atS = mark.body.atS - fromS;
        if (mark.body.isProposal || atS < 0 || atS > part.lengthS) continue;
        inFile.push({ atS, label: labelOf(mark) });
        const timecode = timecodeAt(atS, frameRate, isDrop);
        marked.push([
          takeName(roll.body),
          `${name}.wav`,
          Number(atS.toFixed(3)),
          timecode,
          markName(mark.body.kind),
          mark.body.note,
        ]);
      }
      fromS += part.lengthS;
    }
  }
  const day = wish.pairs.filter(({ body }) => renamed.has(body.sound));
  const list: CutList = cutListOf(day, { title: `${title}, day ${wish.day}`, frameRate, isDrop });
  const pictures = list.pictures.map((picture) => ({
    ...picture,
    sounds: picture.sounds.map((sound) => ({ ...sound, name: renamedIn(renamed, sound.name) })),
    marks: day
      .filter(({ body }) => nameOf(body.picture) === picture.name)
      .flatMap((pair) => underPicture(marksIn.get(pair.body.sound) ?? [], pair)),
  }));
  if (pictures.length > 0) {
    text("lists/matches.edl", "text/plain", edlOf({ ...list, pictures }));
    text("lists/matches.otio", "application/json", otioOf({ ...list, pictures }));
  }
  if (marked.length > 1) text("lists/markers.csv", "text/csv", csvOf(marked));
  text("report/sound report.csv", "text/csv", csvOf(reportCells(reportOf(bundle, wish.day))));
  if (wish.report) entries.push({ path: "report/sound report.pdf", blob: wish.report, changedMs: 0 });
  const drifting = day.flatMap(({ body }) => {
    const { driftMs, says } = partsOf({ ...body, overlap: overlapOf(body) });
    const isAudible = says.some((each) => each.code === "sync.drift" && each.isAudible);
    return isAudible ? [{ picture: nameOf(body.picture), byMs: driftMs }] : [];
  });
  text(
    "README.txt",
    "text/plain",
    dayReadme({
      ...{ title, day: wish.day, date: wish.date, soundFiles, missing, isPerTrack: wish.isPerTrack },
      ...{ pictures: pictures.length, marks: marked.length - 1, hasPdf: wish.report !== null, drifting },
    }),
  );
  return entries;
}

/** Marks of a sound as they lie in its picture; those beside it are left out. */
const underPicture = (marks: readonly Mark[], { body }: Pair): Mark[] =>
  marks
    .map(({ atS, label }) => ({ atS: atS - offsetOf(body), label }))
    .filter(({ atS }) => atS >= 0 && atS < body.pictureS);

/** The name of a file now, of the name at the end of a path it had. */
function renamedIn(renamed: ReadonlyMap<string, string>, name: string): string {
  for (const [path, now] of renamed) if (nameOf(path) === name) return now;
  return name;
}
