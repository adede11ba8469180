"use client";

import { Download } from "lucide-react";
import { useState } from "react";
import styled from "styled-components";
import { partsOf, reasonOf, type Match } from "@/core/sync";
import { type AnyMessage, say } from "@/messages";
import { Button } from "@/ui/Button";
import { FileDrop, type DroppedFile } from "@/ui/FileDrop";
import { Columns, Lead, Piece, Row, Soft, Stack, VisuallyHidden } from "@/ui/layout";
import { Table, TableScroll } from "@/ui/Table";
import type { Scanned } from "@/workers/lineUpWorker";
import { isDropRate } from "@/core/timecode";
import { useSamples, useShoot } from "@/data/ShootProvider";
import { fetchDemoRecording } from "../sound/fetchDemoRecording";
import { saveCsv, saveFile } from "../files/saveFile";
import { cutListOf } from "./cutListOf";
import { DayStrip } from "./DayStrip";
import { MatchDetail } from "./MatchDetail";
import { clockTime } from "./matchWords";
import { useLineUp, type LineUpState } from "./useLineUp";

const Progress = styled.progress`
  width: 100%;
  height: 12px;
  accent-color: var(--chalk);
`;

const Lines = styled(Table)`
  [data-last] {
    padding-left: 1.2rem;
  }
  @media (max-width: 600px) {
    [data-drift] {
      display: none;
    }
  }
`;

const Line = styled.tr`
  cursor: pointer;
  &[data-chosen] {
    background: var(--chalk-soft);
    box-shadow: inset 4px 0 0 var(--chalk);
  }
  th,
  td:first-child {
    padding-left: 0.6rem;
  }
  button {
    border: 0;
    background: none;
    color: inherit;
    font: inherit;
    font-weight: 600;
    text-align: left;
    padding: 0;
    min-height: var(--hit);
    cursor: pointer;
  }
`;

const Apart = styled.ul`
  margin: 0;
  padding: 0;
  list-style: none;
  li {
    padding: 0.4rem 0;
    border-top: 1px solid var(--seam-soft);
  }
`;

type Done = Extract<LineUpState, { phase: "done" }>;

/** How much of a match one may trust, in words. */
const sureWord = (confidence: number): string => (confidence > 0.99 ? "sure" : confidence > 0.9 ? "likely" : "listen");

const driftOf = ({ driftPpm }: Match): string =>
  driftPpm === null
    ? "too short to tell"
    : `${driftPpm
        .toFixed(1)
        .replace(/^-0\.0$/, "0.0")
        .replace("-", "−")} ppm`;

function rowsOf({ pictures, sounds, found }: Done, nudges: ReadonlyMap<string, number>) {
  const head = ["picture", "sound", "offset s", "drift ppm", "drift ms", "overlap s", "sure", "by hand"];
  return [
    head,
    ...found.matches.map((match) => [
      pictures[match.picture]!.file.name,
      sounds[match.sound]!.file.name,
      Number((match.offsetS + (nudges.get(keyOf(match)) ?? 0)).toFixed(6)),
      match.driftPpm === null ? null : Number(match.driftPpm.toFixed(2)),
      Number(partsOf(match).driftMs.toFixed(2)),
      Number((match.overlap.toS - match.overlap.fromS).toFixed(3)),
      Number(match.confidence.toFixed(4)),
      nudges.has(keyOf(match)),
    ]),
  ];
}

const keyOf = ({ picture, sound }: Match): string => `${picture} ${sound}`;

/** Files that have no partner, and why. */
function leftOf({ pictures, sounds, found }: Done): { name: string; says: AnyMessage }[] {
  const of = (files: readonly Scanned[], reasons: Done["found"]["pictures"], isPicture: boolean) =>
    files.flatMap(({ file, says }, at) => {
      const reason = reasons[at];
      if (says) return [{ name: file.name, says }];
      return reason ? [{ name: file.name, says: reasonOf(reason, isPicture) }] : [];
    });
  const byClock = found.byClock.map(({ picture, sound }) => ({
    name: pictures[picture]!.file.name,
    says: { code: "sync.byClock", name: sounds[sound]!.file.name } as const,
  }));
  return [...of(pictures, found.pictures, true), ...byClock, ...of(sounds, found.sounds, false)];
}

function Listening({ state, onStop }: { state: LineUpState; onStop: () => void }) {
  if (state.phase !== "listening" && state.phase !== "comparing") return null;
  const isListening = state.phase === "listening";
  return (
    <Stack $gap={0.5}>
      <Soft role="status">
        {isListening
          ? `Listening to ${state.name}: ${state.done} of ${state.all} files`
          : "Comparing what sounds alike"}
      </Soft>
      <Progress
        aria-label="Lined up"
        value={isListening ? state.done : state.share}
        max={isListening ? Math.max(1, state.all) : 1}
      />
      <div>
        <Button onPress={onStop}>Stop</Button>
      </div>
    </Stack>
  );
}

/** What belongs together, and what does not. */
function LinedUpView({ state, door }: { state: Done; door: ReturnType<typeof useLineUp>["door"] }) {
  const { bundle } = useShoot();
  const [chosen, setChosen] = useState(0);
  const [nudges, setNudges] = useState<ReadonlyMap<string, number>>(new Map());
  const { pictures, sounds, found } = state;
  const paired = new Set(found.matches.map(({ picture }) => picture)).size;
  const match = found.matches[chosen];
  const left = leftOf(state);
  const save = async (format: "EDL" | "OTIO" | "CSV") => {
    if (format === "CSV") return saveCsv("matches.csv", rowsOf(state, nudges));
    const { edlOf, otioOf } = await import("@/core/lists");
    const { title, frameRate } = bundle.shoot.body;
    const offsetOf = (of: Match) => of.offsetS + (nudges.get(keyOf(of)) ?? 0);
    const list = cutListOf(
      { pictures, sounds, matches: found.matches, offsetOf },
      { title, frameRate, isDrop: isDropRate(frameRate) },
    );
    if (format === "EDL") saveFile("matches.edl", "text/plain;charset=utf-8", edlOf(list));
    else saveFile("matches.otio", "application/json", otioOf(list));
  };
  const nudge = (of: Match, nudgeS: number) => {
    const next = new Map(nudges);
    // What is nudged there and back is as it was found.
    if (Math.abs(nudgeS) < 1e-9) next.delete(keyOf(of));
    else next.set(keyOf(of), nudgeS);
    setNudges(next);
  };
  return (
    <Columns $template="minmax(0, 3fr) minmax(20rem, 2fr)">
      <Stack>
        <Piece aria-label="Matches">
          <Stack $gap={0.8}>
            <Row $between>
              <Lead role="status" data-part="verdict">
                {say(
                  paired === 0
                    ? { code: "sync.none" }
                    : { code: "sync.sum", paired, pictures: pictures.length, sounds: sounds.length },
                )}
              </Lead>
              {paired > 0 && (
                <Row role="group" aria-label="Save the list">
                  <Download size={18} aria-hidden />
                  {(["EDL", "OTIO", "CSV"] as const).map((format) => (
                    <Button key={format} aria-label={`Save as ${format}`} onPress={() => void save(format)}>
                      {format}
                    </Button>
                  ))}
                </Row>
              )}
            </Row>
            {sounds.length > 0 && <DayStrip {...{ pictures, sounds, found, chosen }} />}
            {paired > 0 && (
              <TableScroll aria-label="Matches, one a line">
                <Lines>
                  <thead>
                    <tr>
                      <th>Picture</th>
                      <th>Sound</th>
                      <th data-figure>Starts at</th>
                      <th data-figure data-drift>
                        Drift
                      </th>
                      <th data-last>Match</th>
                    </tr>
                  </thead>
                  <tbody>
                    {found.matches.map((each, at) => (
                      <Line key={keyOf(each)} data-chosen={at === chosen || undefined} onClick={() => setChosen(at)}>
                        <th scope="row">
                          <button type="button" aria-pressed={at === chosen}>
                            {pictures[each.picture]!.file.name}
                          </button>
                        </th>
                        <td>{sounds[each.sound]!.file.name}</td>
                        <td data-figure>{clockTime(each.offsetS + (nudges.get(keyOf(each)) ?? 0))}</td>
                        <td data-figure data-drift>
                          {driftOf(each)}
                        </td>
                        <td data-last>{nudges.has(keyOf(each)) ? "by hand" : sureWord(each.confidence)}</td>
                      </Line>
                    ))}
                  </tbody>
                </Lines>
              </TableScroll>
            )}
          </Stack>
        </Piece>
        {left.length > 0 && (
          <Piece aria-label="Without a partner" $tight>
            <Stack $gap={0.3}>
              <h2>Without a partner</h2>
              <Apart>
                {left.map(({ name, says }, at) => (
                  <li key={at}>
                    <strong>{name}</strong>: {say(says)}
                  </li>
                ))}
              </Apart>
            </Stack>
          </Piece>
        )}
      </Stack>
      {match && (
        <Piece aria-label="Close up">
          <MatchDetail
            key={keyOf(match)}
            match={match}
            picture={pictures[match.picture]!}
            sound={sounds[match.sound]!}
            nudgeS={nudges.get(keyOf(match)) ?? 0}
            onNudge={(nudgeS) => nudge(match, nudgeS)}
            door={door}
          />
        </Piece>
      )}
    </Columns>
  );
}

/** The demo's cameras and recordings. */
function DemoDay({ onFiles }: { onFiles: (files: readonly DroppedFile[]) => Promise<void> }) {
  const samples = useSamples();
  const [isFetching, setFetching] = useState(false);
  if (!samples) return null;
  const fetchAll = async () => {
    setFetching(true);
    const names = [...samples.pictures, ...samples.recordings.map(({ file }) => file)];
    const files = await Promise.all(names.map(fetchDemoRecording));
    setFetching(false);
    await onFiles(files.flatMap((file) => (file ? [{ file, path: file.name }] : [])));
  };
  return (
    <Row>
      <Soft>Or the demo&apos;s:</Soft>
      <Button isDisabled={isFetching} onPress={() => void fetchAll()}>
        Two cameras and the recorder
      </Button>
    </Row>
  );
}

/** How does it reach the edit? */
export function HandoverScreen() {
  const { state, skipped, add, stop, clear, door } = useLineUp();
  const isBusy = state.phase === "listening" || state.phase === "comparing";
  return (
    <Stack>
      <VisuallyHidden as="h1">Hand over: how does it reach the edit?</VisuallyHidden>
      {state.phase === "done" && <LinedUpView state={state} door={door} />}
      <Piece aria-label="Files">
        <Stack $gap={0.6}>
          {!isBusy && (
            <FileDrop
              label={
                state.phase === "done"
                  ? "Drop more files here, or their folders"
                  : "Drop the day's picture and sound files here, or their folders"
              }
              hint="mp4, mov, webm and WAV. Only the sound is read, where the files are; nothing is uploaded or changed."
              accepts={["video/*", ".mov", ".mkv", "audio/wav", ".wav", ".bwf", ".rf64", ".w64"]}
              button="Choose files"
              onFiles={(files) => void add(files.map((file) => ({ file, path: file.name })))}
              onCard={(files) => void add(files)}
            />
          )}
          {state.phase === "empty" && <DemoDay onFiles={add} />}
          <Listening state={state} onStop={stop} />
          {skipped > 0 && <Soft role="status">{leftOut(skipped)}</Soft>}
          {state.phase === "done" && (
            <div>
              <Button look="quiet" onPress={clear}>
                Begin anew
              </Button>
            </div>
          )}
        </Stack>
      </Piece>
    </Stack>
  );
}

const leftOut = (files: number): string =>
  files === 1
    ? "1 file that is neither picture nor WAV was left out."
    : `${files} files that are neither picture nor WAV were left out.`;
