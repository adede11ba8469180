"use client";

import { say } from "@/messages";
import { useEffect, useState } from "react";
import styled from "styled-components";
import { LISTENING, LISTENING_S, promptAt, SOURCE_KINDS, type SourceKindId } from "@/core/noise";
import { Button } from "@/ui/Button";
import { Lead, Row, Soft, Stack } from "@/ui/layout";
import { upperFirst } from "../dress/words";

const Passed = styled.progress`
  width: 100%;
  height: 8px;
  accent-color: var(--chalk);
`;

/** A minute of listening with prompts for what people overlook; each noise heard is one press. */
export function ListenMinute({ onHear }: { onHear: (kind: SourceKindId) => void }) {
  const [seconds, setSeconds] = useState<number | null>(null);
  const isRunning = seconds !== null && seconds < LISTENING_S;
  useEffect(() => {
    if (!isRunning) return;
    const timer = setInterval(() => setSeconds((now) => (now === null ? null : Math.min(LISTENING_S, now + 1))), 1000);
    return () => clearInterval(timer);
  }, [isRunning]);
  if (seconds === null)
    return (
      <div>
        <Button look="main" onPress={() => setSeconds(0)}>
          Listen for a minute
        </Button>
      </div>
    );
  const prompt = promptAt(seconds);
  // What was asked before stays at hand: somebody may hear the fridge late.
  const offered = LISTENING.filter(({ atS }) => atS <= seconds).flatMap(({ kinds }) => kinds);
  return (
    <Stack $gap={0.6} role="group" aria-label="Listening">
      <Passed aria-label="Seconds listened" max={LISTENING_S} value={seconds} />
      <Lead role="status">{isRunning ? say(prompt) : "That was the minute. Add what is missing below."}</Lead>
      <Row $gap={0.4}>
        {[...new Set(offered)].map((kind) => (
          <Button key={kind} onPress={() => onHear(kind)}>
            {upperFirst(SOURCE_KINDS[kind].name)}
          </Button>
        ))}
      </Row>
      <Row $between>
        <Soft>{Math.max(0, LISTENING_S - seconds)} s left</Soft>
        <Button look="quiet" onPress={() => setSeconds(null)}>
          {isRunning ? "Stop listening" : "Close"}
        </Button>
      </Row>
    </Stack>
  );
}
