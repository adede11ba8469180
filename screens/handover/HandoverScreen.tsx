"use client";

import { useCallback, useMemo, useState } from "react";
import styled from "styled-components";
import { isWavName } from "@/core/sync";
import { useSamples, useShoot, useShootStore } from "@/data/ShootProvider";
import { setInAddress, useAddress } from "@/ui/address";
import { Button } from "@/ui/Button";
import { FileDrop, type DroppedFile } from "@/ui/FileDrop";
import { Piece, Row, Soft, Stack, VisuallyHidden } from "@/ui/layout";
import { Tabs } from "@/ui/Tabs";
import type { Scanned } from "@/workers/lineUpWorker";
import { fetchDemoRecording } from "../sound/fetchDemoRecording";
import { CardView } from "./day/CardView";
import { DayView } from "./day/DayView";
import { type EditKind, EditPage } from "./edit/EditPage";
import { useEditing } from "./edit/useEditing";
import { LinedUpView } from "./LinedUpView";
import { keepMatches, pairsOf, tailOf } from "./pairs";
import { useLineUp, type LineUpState } from "./useLineUp";

const Progress = styled.progress`
  width: 100%;
  height: 12px;
  accent-color: var(--chalk);
`;

type Done = Extract<LineUpState, { phase: "done" }>;

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

const NO_FILES: ReadonlyMap<string, Scanned> = new Map();

const VIEWS = [
  { id: "lineup", label: "Line up" },
  { id: "clean", label: "Clean" },
  { id: "cut", label: "Cut" },
  { id: "deliver", label: "Deliver" },
  { id: "day", label: "Hand over the day" },
  { id: "card", label: "Copy a card" },
] as const;
type ViewId = (typeof VIEWS)[number]["id"];

const isEdit = (view: ViewId): view is EditKind => view === "clean" || view === "cut" || view === "deliver";

/** Recordings that are dropped, each once. */
function useSounds() {
  const [sounds, setSounds] = useState<readonly DroppedFile[]>([]);
  const addSounds = useCallback((files: readonly DroppedFile[]) => {
    const keyOf = ({ file, path }: DroppedFile) => `${path} ${file.size} ${file.lastModified}`;
    setSounds((before) => {
      const known = new Set(before.map(keyOf));
      const fit = files.map(({ file, path }) => ({ file, path: tailOf(path) }));
      return [...before, ...fit.filter((each) => isWavName(each.path) && !known.has(keyOf(each)))];
    });
  }, []);
  return { sounds, addSounds };
}

/** How does it reach the edit? */
export function HandoverScreen() {
  const { bundle } = useShoot();
  const store = useShootStore();
  const { query } = useAddress();
  const view: ViewId = VIEWS.find(({ id }) => id === query.get("view"))?.id ?? "lineup";
  const onFound = useCallback((found: Done) => keepMatches(store, bundle.shoot.id, found), [store, bundle.shoot.id]);
  const { state, skipped, add, stop, door } = useLineUp(onFound);
  const { sounds, addSounds } = useSounds();
  const editing = useEditing(sounds, isEdit(view));
  const take = async (files: readonly DroppedFile[]) => {
    addSounds(files);
    await add(files);
  };
  const done = state.phase === "done" ? state : null;
  const files = useMemo(
    () => (done ? new Map([...done.pictures, ...done.sounds].map((each) => [each.path, each])) : NO_FILES),
    [done],
  );
  const pairs = useMemo(() => pairsOf(bundle.matches, files), [bundle.matches, files]);
  const isBusy = state.phase === "listening" || state.phase === "comparing";
  const isFirst = pairs.length === 0 && !done;
  return (
    <Stack>
      <VisuallyHidden as="h1">Hand over: how does it reach the edit?</VisuallyHidden>
      <Tabs
        label="Hand over"
        tabs={VIEWS}
        selected={view}
        onSelect={(id) => setInAddress({ view: id === "lineup" ? null : id })}
      >
        {view === "lineup" && !isFirst && <LinedUpView {...{ pairs, done, door, editDoor: editing.door }} />}
        {isEdit(view) && <EditPage {...{ kind: view, sounds, editing }} />}
        {view === "day" && <DayView sounds={sounds} pairs={pairs} />}
        {view === "card" && <CardView />}
      </Tabs>
      {view !== "card" && (
        <Piece aria-label="Files">
          <Stack $gap={0.6}>
            {!isBusy && (
              <FileDrop
                label={
                  isFirst
                    ? "Drop the day's picture and sound files here, or their folders"
                    : "Drop more files here, or their folders"
                }
                hint="mp4, mov, webm and WAV. They are read where they are; nothing is uploaded or changed."
                accepts={["video/*", ".mov", ".mkv", "audio/wav", ".wav", ".bwf", ".rf64", ".w64"]}
                button="Choose files"
                onFiles={(dropped) => void take(dropped.map((file) => ({ file, path: file.name })))}
                onCard={(dropped) => void take(dropped)}
              />
            )}
            {!isBusy && sounds.length === 0 && <DemoDay onFiles={take} />}
            <Listening state={state} onStop={stop} />
            {skipped > 0 && <Soft role="status">{leftOut(skipped)}</Soft>}
          </Stack>
        </Piece>
      )}
    </Stack>
  );
}

const leftOut = (files: number): string =>
  files === 1
    ? "1 file that is neither picture nor WAV was left out."
    : `${files} files that are neither picture nor WAV were left out.`;
