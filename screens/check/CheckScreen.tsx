"use client";

import Link from "next/link";
import styled from "styled-components";
import { DEMO_RECORDINGS } from "@/demo/recordings";
import type { Stored } from "@/core/shoot/records";
import { Button } from "@/ui/Button";
import { FileDrop } from "@/ui/FileDrop";
import { Columns, Lead, Piece, Row, Soft, Stack, VisuallyHidden } from "@/ui/layout";
import { useRemoval, useShoot } from "../saving/ShootProvider";
import { stationHref } from "../shell/ThreadNav";
import { WearerLinks } from "../shell/WearerLinks";
import { useWearer, type WorkingOn } from "../shell/useWearer";
import { Measured } from "./Measured";
import { fetchDemoRecording } from "../sound/fetchDemoRecording";
import { DECODE_LIMIT_BYTES } from "../sound/decodeFile";
import { useMeasure, type MeasureState } from "./useMeasure";

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

function DemoTakes({ rigId, onFile }: { rigId: string; onFile: (file: File) => void }) {
  const recordings = DEMO_RECORDINGS.filter((recording) => recording.rigId === rigId);
  if (recordings.length === 0) return null;
  const choose = (name: string) => fetchDemoRecording(name).then((file) => file && onFile(file));
  return (
    <Row>
      <Soft>Or the demo&apos;s:</Soft>
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
        Measuring {state.file}
        {state.share === null ? "" : `: ${Math.round(state.share * 100)} %`}
      </Soft>
      <Progress aria-label="Measured" value={state.share ?? undefined} max={1} />
      <div>
        <Button onPress={onCancel}>Stop measuring</Button>
      </div>
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
              {proof.body.recording.file}: {GRADE_WORDS[proof.body.grade]}
            </strong>
            <Button
              look="quiet"
              aria-label={`Delete the measurement of ${proof.body.recording.file}`}
              onPress={() => remove("measurement", proof.id, `The measurement of ${proof.body.recording.file}`)}
            >
              Delete
            </Button>
          </Row>
          <Soft>
            {proof.body.sentence} {proof.body.correction}
          </Soft>
        </li>
      ))}
    </Takes>
  );
}

function Desk({ workingOn }: { workingOn: WorkingOn }) {
  const { bundle } = useShoot();
  const { state, measure, cancel } = useMeasure();
  const proofs = bundle.measurements.filter((each) => each.body.rigId === workingOn.rig.id);
  return (
    <Columns $template="minmax(0, 2fr) minmax(0, 1fr)">
      <Piece>
        <Stack>
          {state.phase === "measuring" ? (
            <Measuring state={state} onCancel={cancel} />
          ) : (
            <FileDrop
              label="Drop a take here"
              hint={`WAV of any length, read where it is; m4a, mp3, ogg, flac up to ${DECODE_LIMIT_BYTES / 1e6} MB. Nothing is uploaded.`}
              accepts={["audio/*", ".wav", ".bwf", ".rf64", ".w64", ".m4a", ".mp3", ".ogg", ".flac"]}
              onFile={(file) => void measure(file)}
            />
          )}
          <DemoTakes rigId={workingOn.rig.id} onFile={(file) => void measure(file)} />
          {state.phase === "refused" && (
            <Lead role="alert">
              {state.file}: {state.message}
            </Lead>
          )}
          {state.phase === "measured" && (
            <Measured
              key={`${state.file.name} ${state.file.lastModified} ${state.file.size}`}
              recording={state.recording}
              workingOn={workingOn}
            />
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
  return (
    <Stack>
      <VisuallyHidden as="h1">Check: is it any good?</VisuallyHidden>
      {workingOn ? (
        <>
          <WearerLinks selected={workingOn.wearer.id} />
          <Desk key={workingOn.rig.id} workingOn={workingOn} />
        </>
      ) : (
        <Piece>
          <Stack>
            <Lead>A take is checked against what was planned for somebody.</Lead>
            <Link href={stationHref(bundle.shoot.id, "dress", null)}>Dress somebody first</Link>
          </Stack>
        </Piece>
      )}
    </Stack>
  );
}
