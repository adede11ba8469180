"use client";

import { useState } from "react";
import { withVoiceToday } from "@/core/planning";
import { Button } from "@/ui/Button";
import { Row } from "@/ui/layout";
import { useShootStore } from "@/data/ShootProvider";

/** Less than this is as planned, dB. */
const WORTH_DB = 1;

/** Plans the rest of the day with the voice as it was measured. */
export function TakeVoice({ rigId, voiceDb }: { rigId: string; voiceDb: number | null }) {
  const store = useShootStore();
  const [isTaken, setTaken] = useState(false);
  if (isTaken) return <p role="status">Applied: the settings of this day follow their voice. Set the devices again.</p>;
  if (voiceDb === null || Math.abs(voiceDb) < WORTH_DB) return null;
  return (
    <Row>
      <Button
        onPress={() => {
          for (const { id, body } of withVoiceToday(store.snapshot().bundle, rigId, voiceDb))
            store.change("rig", id, body);
          setTaken(true);
        }}
      >
        Plan this day with a voice {Math.abs(voiceDb).toFixed(0)} dB {voiceDb > 0 ? "louder" : "softer"}
      </Button>
    </Row>
  );
}
