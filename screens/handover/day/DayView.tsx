"use client";

import { PackageCheck } from "lucide-react";
import { useMemo, useState } from "react";
import { useShoot, useShootStore } from "@/data/ShootProvider";
import { idFor } from "@/data/hub";
import { RATING_NAMES } from "@/messages";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import type { DroppedFile } from "@/ui/FileDrop";
import { Lead, Piece, Row, Soft, Stack } from "@/ui/layout";
import { Table, TableScroll } from "@/ui/Table";
import { Tick } from "@/ui/Ticks";
import type { BagResult } from "@/workers/copyWorker";
import { canPickFolders } from "../../files/pickFolder";
import { takeName } from "../../roll/rollWords";
import { useFocus } from "../../shell/useFocus";
import type { Pair } from "../pairs";
import { CopyProgress, FaultList, FolderPick } from "./CopyParts";
import { filesWords, sizeWords, stoppedWords } from "./copyWords";
import { dayTakes } from "./dayTakes";
import { isTwice } from "./targets";
import { today } from "./today";
import { useCopy } from "./useCopy";

/** The report as PDF, where the server is there to make it. */
const reportOfDay = async (shootId: string, day: number): Promise<Blob | null> => {
  const answer = await fetch(`/shoots/${shootId}/report.pdf?day=${day}`).catch(() => null);
  return answer?.ok ? answer.blob() : null;
};

function verdict(day: number, ready: number, all: number): string {
  if (all === 0) return `Day ${day}: no take is rated good or hold yet.`;
  if (ready === all) return `Day ${day}: ${all === 1 ? "1 take" : `${all} takes`} to hand over, all files here.`;
  return `Day ${day}: ${ready} of ${all === 1 ? "1 take has its" : `${all} takes have their`} files here. Drop the others below.`;
}

/** What a copy came to, for whoever pressed. */
function outcome(day: number, result: BagResult, ready: number, all: number): string {
  const stopped = stoppedWords(result);
  if (stopped) return stopped;
  const bytes = result.files.reduce((sum, file) => sum + file.bytes, 0);
  if (result.faults.length > 0) return "Not handed over: some files differ. Press again to copy them once more.";
  if (result.manifest === null) return "Stopped. What is copied stays: press again to go on.";
  const what = `${filesWords(result.files.length)}, ${sizeWords(bytes)}, read back and compared.`;
  return ready === all
    ? `Day ${day} is handed over: ${what}`
    : `${ready} of ${all} takes of day ${day} are handed over: ${what}`;
}

/** Everything of a day in one folder: takes with their words, lists, report; read back and compared. */
export function DayView({ sounds, pairs }: { sounds: readonly DroppedFile[]; pairs: readonly Pair[] }) {
  const { bundle } = useShoot();
  const store = useShootStore();
  const { scene } = useFocus();
  const { days } = bundle.shoot.body;
  const [wanted, setWanted] = useState(String(scene?.body.day ?? 1));
  const [isPerTrack, setPerTrack] = useState(false);
  const [folders, setFolders] = useState<readonly (FileSystemDirectoryHandle | null)[]>([null, null]);
  const [result, setResult] = useState<BagResult | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const { state, copy, cancel } = useCopy();
  const day = Number(wanted);
  const takes = useMemo(() => dayTakes(bundle, day, sounds), [bundle, day, sounds]);
  const ready = takes.filter(({ files }) => files !== null).length;
  const targets = folders.filter((each) => each !== null);
  const delivered = bundle.deliveries.find(({ body }) => body.day === day) ?? null;
  const handOver = async () => {
    setResult(null);
    setFault(null);
    if (await isTwice(targets)) {
      setFault("Both copies would go into one folder. Choose two, on two disks.");
      return;
    }
    const { dayEntries } = await import("./dayEntries");
    const report = await reportOfDay(bundle.shoot.id, day);
    try {
      const date = today();
      const entries = await dayEntries(bundle, takes, { day, isPerTrack, report, pairs, date });
      const made = await copy(entries, targets, { date, about: `${bundle.shoot.body.title}, day ${day}` });
      setResult(made);
      if (made.manifest === null && made.faults.length === 0) return;
      const body = {
        ...{ shootId: bundle.shoot.id, day, at: new Date().toISOString(), folder: targets[0]!.name.slice(0, 255) },
        ...{ takes: ready, files: made.files.length, bytes: made.files.reduce((sum, file) => sum + file.bytes, 0) },
        ...{ faults: made.faults.length, manifest: made.manifest ?? "0".repeat(64) },
      };
      if (delivered) store.edit("delivery", delivered.id, () => body);
      else
        store.createAll([
          { kind: "delivery", id: idFor(bundle.shoot.id, "delivery", bundle.shoot.id, String(day)), body },
        ]);
    } catch {
      setFault("A sound file could not be read: is the card still in? Nothing is finished.");
    }
  };
  const setFolder = (place: number, folder: FileSystemDirectoryHandle) =>
    setFolders((all) => all.map((each, at) => (at === place ? folder : each)));
  return (
    <Piece aria-label="Hand over the day">
      <Stack $gap={0.8}>
        <Row $between>
          <Lead role="status" data-part="verdict">
            {verdict(day, ready, takes.length)}
          </Lead>
          {days > 1 && (
            <Choice
              isPlain
              label="Day"
              value={wanted}
              options={Array.from({ length: days }, (_, at) => ({ value: String(at + 1), name: `Day ${at + 1}` }))}
              onChange={(value) => {
                setWanted(value);
                setResult(null);
              }}
            />
          )}
        </Row>
        {delivered && (
          <Soft>
            Handed over on {delivered.body.at.slice(0, 10)} to {delivered.body.folder}:{" "}
            {filesWords(delivered.body.files)}, {sizeWords(delivered.body.bytes)}
            {delivered.body.faults > 0 && `, ${delivered.body.faults} of them differ`}.
          </Soft>
        )}
        {takes.length > 0 && (
          <TableScroll aria-label="Takes of the day">
            <Table>
              <thead>
                <tr>
                  <th>Take</th>
                  <th>Rating</th>
                  <th>Files</th>
                </tr>
              </thead>
              <tbody>
                {takes.map(({ roll, files }) => (
                  <tr key={roll.id}>
                    <th scope="row">{takeName(roll.body)}</th>
                    <td>{roll.body.rating === "none" ? "" : RATING_NAMES[roll.body.rating]}</td>
                    <td>
                      {files
                        ? files.map(({ file }) => file.name).join(", ")
                        : `${roll.body.fileName || "its file"}: missing`}
                    </td>
                  </tr>
                ))}
              </tbody>
            </Table>
          </TableScroll>
        )}
        {canPickFolders() ? (
          <>
            <Row>
              <FolderPick label="Folder" folder={folders[0] ?? null} onPick={(folder) => setFolder(0, folder)} />
              <FolderPick label="Second copy" folder={folders[1] ?? null} onPick={(folder) => setFolder(1, folder)} />
              <Tick label="A file for each track" isOn={isPerTrack} onChange={setPerTrack} />
            </Row>
            {state && <CopyProgress state={state} onStop={cancel} />}
            <Row>
              <Button
                look="main"
                isDisabled={ready === 0 || targets.length === 0 || state !== null}
                onPress={() => void handOver()}
              >
                <PackageCheck size={18} aria-hidden /> Hand over day {day}
              </Button>
              <Soft role="status">
                {fault ??
                  (result
                    ? outcome(day, result, ready, takes.length)
                    : "Sound, lists, report and a page for the editor, in one folder.")}
              </Soft>
            </Row>
            {result && <FaultList faults={result.faults} />}
          </>
        ) : (
          <Soft>
            This browser cannot write into folders. Use one that can, or copy the card with the hypophon copy command.
          </Soft>
        )}
      </Stack>
    </Piece>
  );
}
