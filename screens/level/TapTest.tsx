"use client";

import { say } from "@/messages";
import { useState } from "react";
import { judgeTaps, type Taps } from "@/core/meter";
import { Button } from "@/ui/Button";
import { Lead, Row, Soft, Stack } from "@/ui/layout";
import type { LiveInput } from "../sound/useLiveInput";
import { useKeeping } from "./useKeeping";

const TAP_S = 4;
type Where = "wanted" | "device";

/** Which microphone is live: three taps on the wanted one, three on the device. */
export function TapTest({ live }: { live: LiveInput }) {
  const [taps, setTaps] = useState<Partial<Record<Where, Taps>>>({});
  const { step, leftS, keep } = useKeeping<Where>();
  const isListening = live.state.phase === "listening";
  function listen(where: Where): void {
    const door = live.door();
    if (!door) return;
    void door.keep();
    keep(where, TAP_S, () => void door.tapsKept().then((found) => setTaps((now) => ({ ...now, [where]: found }))));
  }
  const { wanted, device } = taps;
  const heard = (found: Taps | undefined) => (found ? `, ${found.count} heard` : "");
  return (
    <Stack $gap={0.6}>
      <h2>Tap test</h2>
      <Soft>Three taps on the microphone you want, then three on the phone, computer or recorder itself.</Soft>
      <Row>
        <Button isDisabled={!isListening || step !== null} onPress={() => listen("wanted")}>
          Tap the mic now{heard(wanted)}
        </Button>
        <Button isDisabled={!isListening || step !== null} onPress={() => listen("device")}>
          Tap the device now{heard(device)}
        </Button>
      </Row>
      {step && (
        <p role="status">
          Tap {step === "wanted" ? "the mic" : "the device"}: {Math.ceil(leftS)} s
        </p>
      )}
      {wanted && device && !step && <Lead role="status">{say(judgeTaps(wanted, device).says)}</Lead>}
    </Stack>
  );
}
