"use client";

import { Mic, Square } from "lucide-react";
import styled from "styled-components";
import { Button } from "@/ui/Button";
import { FileDrop } from "@/ui/FileDrop";
import { Row, Soft, Stack } from "@/ui/layout";
import { useMicrophone, type Heard } from "./useMicrophone";

const Bar = styled.progress`
  width: 100%;
  height: 12px;
  accent-color: var(--chalk);
`;

/** Lowest level that the bar shows, dBFS. */
const BAR_FLOOR_DBFS = -80;

/** A recording dropped, chosen, or made here and now with the browser's microphone. */
export function SoundIn(props: {
  label: string;
  hint: string;
  recordName: string;
  seconds: number;
  isBusy: boolean;
  onFile: (file: File) => void;
  onHeard: (heard: Heard) => void;
}) {
  const { state, isProcessed, record, stop } = useMicrophone();
  const isListening = state.phase === "listening";
  async function listen(): Promise<void> {
    const heard = await record(props.seconds);
    if (heard) props.onHeard(heard);
  }
  return (
    <Stack $gap={0.6}>
      <FileDrop label={props.label} hint={props.hint} accepts={["audio/*", ".wav", ".bwf"]} onFile={props.onFile} />
      <Row>
        {isListening ? (
          <Button onPress={stop}>
            <Square size={18} aria-hidden /> Stop and use this
          </Button>
        ) : (
          <Button isDisabled={props.isBusy || state.phase === "asking"} onPress={() => void listen()}>
            <Mic size={18} aria-hidden /> {props.recordName}
          </Button>
        )}
        {props.isBusy && <Soft role="status">Listening to it…</Soft>}
      </Row>
      {isListening && (
        <div>
          <Bar aria-label="Level" max={-BAR_FLOOR_DBFS} value={Math.max(0, state.levelDbfs - BAR_FLOOR_DBFS)} />
          <Soft>
            {state.seconds.toFixed(0)} of {props.seconds} s · {state.levelDbfs.toFixed(0).replace("-", "−")} dBFS, not
            calibrated: it tells louder from softer, not how loud.
          </Soft>
        </div>
      )}
      {isProcessed && (
        <Soft role="alert">
          This browser will not switch off its own noise suppression or gain: what it records is changed. Use a
          recorder&apos;s file instead.
        </Soft>
      )}
      {state.phase === "refused" && <p role="alert">{state.message}</p>}
    </Stack>
  );
}
