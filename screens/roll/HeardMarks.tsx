"use client";

import { Mic, Square } from "lucide-react";
import { useEffect, useRef } from "react";
import { Button } from "@/ui/Button";
import { Row, Soft } from "@/ui/layout";
import { useLiveInput } from "../sound/useLiveInput";
import { feedEvents, NOTHING_HEARD } from "./feedEvents";
import type { Rolling } from "./useRolling";

/** The feed is looked at so often, ms. */
const LOOK_MS = 200;

/** Where this device hears the feed, clips, lost signal and pops are marked as proposals. */
export function HeardMarks({ rolling }: { rolling: Rolling }) {
  const live = useLiveInput();
  const { reading } = live;
  const heard = useRef(NOTHING_HEARD);
  const isOn = live.state.phase === "listening";
  const newest = useRef(rolling);
  useEffect(() => {
    newest.current = rolling;
  });
  useEffect(() => {
    if (!isOn) return;
    heard.current = NOTHING_HEARD;
    const timer = setInterval(() => {
      const now = reading();
      if (!now) return;
      const { state, kinds } = feedEvents(heard.current, now);
      heard.current = state;
      for (const kind of kinds) newest.current.hear(kind);
    }, LOOK_MS);
    return () => clearInterval(timer);
  }, [isOn, reading]);
  const { state } = live;
  return (
    <Row $gap={0.5}>
      {isOn ? (
        <Button onPress={live.stop}>
          <Square size={18} aria-hidden /> Stop listening
        </Button>
      ) : (
        <Button isDisabled={state.phase === "asking"} onPress={() => void live.start()}>
          <Mic size={18} aria-hidden /> Listen to the feed
        </Button>
      )}
      <Soft>
        {state.phase === "listening"
          ? `Hears ${state.deviceName}: clips and lost signal are marked as proposals.`
          : state.phase === "refused" || state.phase === "unplugged"
            ? state.message
            : "Marks clips and lost signal by itself."}
      </Soft>
    </Row>
  );
}
