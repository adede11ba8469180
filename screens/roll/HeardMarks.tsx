"use client";

import { Mic, Square } from "lucide-react";
import * as Comlink from "comlink";
import { useEffect, useRef } from "react";
import type { FindingKind } from "@/core/check";
import type { MarkKind } from "@/core/roll";
import { Button } from "@/ui/Button";
import { Row, Soft } from "@/ui/layout";
import { useLiveInput } from "../sound/useLiveInput";
import { feedEvents, NOTHING_HEARD } from "./feedEvents";
import type { Rolling } from "./useRolling";

/** The feed is looked at so often, ms. */
const LOOK_MS = 200;

/** What is listened for in the feed itself, with the mark it makes. */
const MARK_OF: Partial<Record<FindingKind, MarkKind>> = { plosive: "pop", dropout: "dropOut" };

/** Where this device hears the feed, clips, pops, drop-outs and lost signal are marked as proposals. */
export function HeardMarks({ rolling }: { rolling: Rolling }) {
  const live = useLiveInput();
  const { reading, door } = live;
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
    void door()?.watch(
      Object.keys(MARK_OF) as FindingKind[],
      Comlink.proxy(({ kind }, agoS) => newest.current.hear(MARK_OF[kind]!, agoS)),
    );
    return () => clearInterval(timer);
  }, [isOn, reading, door]);
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
          ? `Hears ${state.deviceName}: clips, plosives, drop-outs and lost signal are marked as proposals.`
          : state.phase === "refused" || state.phase === "unplugged"
            ? state.message
            : "Marks clips, plosives, drop-outs and lost signal by itself."}
      </Soft>
    </Row>
  );
}
