"use client";

import { takeMessages } from "@/core/proof";
import { say } from "@/messages";
import { Link } from "@/ui/address";
import { later } from "@/ui/later";
import { useState } from "react";
import styled from "styled-components";
import type { MeasuredRecording } from "@/core/check";
import type { Stored } from "@/core/records";
import { Button } from "@/ui/Button";
import { FileDrop, type DroppedFile } from "@/ui/FileDrop";
import { Columns, Lead, Piece, Row, Soft, Stack, VisuallyHidden } from "@/ui/layout";
import { useSamples, useShoot } from "@/data/ShootProvider";
import { useRemoval } from "../shell/useRemoval";
import { stationHref } from "../shell/stationHref";
import { useWearer, type WorkingOn } from "../shell/useWearer";
import { fetchDemoRecording } from "../sound/fetchDemoRecording";
import { DECODE_LIMIT_BYTES } from "../sound/decodeFile";
import { useCard, type CardFile } from "./useCard";
import { useMeasure, type MeasureState } from "./useMeasure";

const Measured = later(() => import("./Measured").then((module) => module.Measured));
const FirstLook = later(() => import("./FirstLook").then((module) => module.FirstLook));
const DayTrendView = later(() => import("./DayTrendView").then((module) => module.DayTrendView));
const CardLogView = later(() => import("./CardLogView").then((module) => module.CardLogView));
const CardTable = later(() => import("./CardTable").then((module) => module.CardTable));

const Progress = styled.progress`
  width: 100%;
  height: 12px;
  accent-color: var(--chalk);
`;

const Takes = styled.ol`
  margin: 0;
  padding: 0;
  list-style: none;
  li {
    border-top: 1px dashed var(--seam);
    padding: 0.5rem 0;
  }
`;

const GRADE_WORDS = { good: "good", usable: "usable", redo: "redo" } as const;

function DemoTakes({
  rigId,
  onFile,
  onCard,
}: {
  rigId: string;
  onFile: (file: File) => void;
  onCard: (files: readonly DroppedFile[]) => void;
}) {
  const samples = useSamples();
  const [isFetching, setFetching] = useState(false);
  if (!samples) return null;
  const { card } = samples;
  const recordings = samples.recordings.filter((recording) => recording.rigId === rigId);
  const choose = (name: string) => fetchDemoRecording(name).then((file) => file && onFile(file));
  const fetchCard = async () => {
    setFetching(true);
    for (const name of card.files) {
      const file = await fetchDemoRecording(name);
      if (!file) break;
      onCard([{ file, path: `${card.folder}/${name}` }]);
    }
    setFetching(false);
  };
  return (
    <Row>
      <Soft>Or the demo&apos;s:</Soft>
      <Button isDisabled={isFetching} onPress={() => void fetchCard()}>
        {isFetching ? "Fetching the card" : `Card of ${card.files.length}`}
      </Button>
      {recordings.map((recording) => (
        <Button key={recording.file} onPress={() => void choose(recording.file)}>
          {recording.title}
        </Button>
      ))}
    </Row>
  );
}

function Measuring({
  state,
  onCancel,
}: {
  state: Extract<MeasureState, { phase: "measuring" }>;
  onCancel: () => void;
}) {
  return (
    <Stack $gap={0.5}>
      <Soft role="status">
        Measuring {state.file.name}
        {state.share === null ? "" : `: ${Math.round(state.share * 100)} %`}
      </Soft>
      <Progress aria-label="Measured" value={state.share ?? undefined} max={1} />
      <div>
        <Button onPress={onCancel}>Stop measuring</Button>
      </div>
      <FirstLook key={`${state.file.name} ${state.file.size}`} file={state.file} />
    </Stack>
  );
}

function saidOf(body: Parameters<typeof takeMessages>[0]): string {
  const { verdict, step, redress } = takeMessages(body);
  return [verdict, step, ...(redress ? [redress] : [])].map(say).join(" ");
}

/** What the last take of this talent came to. */
function LastTake({ proof }: { proof: Stored<"measurement"> }) {
  const { verdict, step } = takeMessages(proof.body.said);
  return (
    <Stack $gap={0.2}>
      <Soft>Last take: {proof.body.file.name}</Soft>
      <Lead data-part="verdict">{say(verdict)}</Lead>
      <p data-part="next">{say(step)}</p>
    </Stack>
  );
}

function Proofs({ proofs }: { proofs: readonly Stored<"measurement">[] }) {
  const remove = useRemoval();
  if (proofs.length === 0) return <Soft>No take measured yet.</Soft>;
  return (
    <Takes>
      {[...proofs].reverse().map((proof) => (
        <li key={proof.id}>
          <Row $between>
            <strong>
              {proof.body.file.name}: {GRADE_WORDS[proof.body.grade]}
            </strong>
            <Button
              look="quiet"
              aria-label={`Delete the measurement of ${proof.body.file.name}`}
              onPress={() => remove("measurement", proof.id, `The measurement of ${proof.body.file.name}`)}
            >
              Delete
            </Button>
          </Row>
          <Soft>{saidOf(proof.body.said)}</Soft>
        </li>
      ))}
    </Takes>
  );
}

/** A file of the card that was opened. */
interface Opened {
  file: File;
  recording: MeasuredRecording;
}

function Desk({
  workingOn,
  opened,
  onCard,
  onSingle,
}: {
  workingOn: WorkingOn;
  opened: Opened | null;
  onCard: (files: readonly DroppedFile[]) => void;
  onSingle: () => void;
}) {
  const { bundle } = useShoot();
  const { state, measure: measureFile, cancel } = useMeasure();
  const measure = (file: File) => {
    onSingle();
    return measureFile(file);
  };
  const shown = opened ?? (state.phase === "measured" ? state : null);
  const proofs = bundle.measurements.filter((each) => each.body.rigId === workingOn.rig.id);
  const last = proofs.at(-1);
  const isIdle = state.phase !== "measuring" && !shown;
  return (
    <Columns $template="minmax(0, 2fr) minmax(0, 1fr)">
      <Piece>
        <Stack>
          {isIdle && last && <LastTake proof={last} />}
          {state.phase === "measuring" ? (
            <Measuring state={state} onCancel={cancel} />
          ) : (
            <FileDrop
              label="Drop a take here, or a whole card"
              hint={`WAV of any length, read where it is; m4a, mp3, ogg, flac up to ${DECODE_LIMIT_BYTES / 1e6} MB. Nothing is uploaded.`}
              accepts={["audio/*", ".wav", ".bwf", ".rf64", ".w64", ".m4a", ".mp3", ".ogg", ".flac"]}
              onFile={(file) => void measure(file)}
              onCard={onCard}
            />
          )}
          <DemoTakes rigId={workingOn.rig.id} onFile={(file) => void measure(file)} onCard={onCard} />
          {state.phase === "refused" && (
            <Lead role="alert">
              {state.file}: {state.message}
            </Lead>
          )}
          {shown && (
            <Measured
              isCalled={opened !== null}
              key={`${shown.file.name} ${shown.file.lastModified} ${shown.file.size}`}
              recording={shown.recording}
              file={shown.file}
              workingOn={workingOn}
            />
          )}
          {isIdle && bundle.measurements.length > 0 && (
            <div data-part="picture">
              <DayTrendView bundle={bundle} rig={workingOn.rig} />
            </div>
          )}
        </Stack>
      </Piece>
      <Piece>
        <Stack>
          <h2>Takes measured</h2>
          <Proofs proofs={proofs} />
        </Stack>
      </Piece>
    </Columns>
  );
}

/** Is it any good? */
export function CheckScreen() {
  const { bundle } = useShoot();
  const { workingOn } = useWearer();
  const { card, queue } = useCard();
  const [opened, setOpened] = useState<Opened | null>(null);
  const open = ({ file, state }: CardFile) => {
    if (state.phase === "measured") setOpened({ file, recording: state.recording });
  };
  return (
    <Stack>
      <VisuallyHidden as="h1">Check: is this take good?</VisuallyHidden>
      {workingOn ? (
        <>
          {card.files.length > 0 && (
            <Piece>
              <Stack>
                <CardLogView card={card} />
                <CardTable card={card} queue={queue} onOpen={open} />
              </Stack>
            </Piece>
          )}
          <Desk
            key={workingOn.rig.id}
            workingOn={workingOn}
            opened={opened}
            onCard={queue.add}
            onSingle={() => setOpened(null)}
          />
        </>
      ) : (
        <Piece>
          <Stack>
            <Lead>Add talent first: a take belongs to somebody.</Lead>
            <Link href={stationHref(bundle.shoot.id, "dress", null)}>Go to Dress</Link>
          </Stack>
        </Piece>
      )}
    </Stack>
  );
}
