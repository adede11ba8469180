"use client";

import { Circle, Clapperboard, Square } from "lucide-react";
import { useEffect } from "react";
import styled from "styled-components";
import { cardLeftMin, leftOf } from "@/core/planning";
import { TAKE_TYPES, type TakeType } from "@/core/roll";
import { minutesOfDay } from "@/core/schedule";
import { say, TYPE_NAMES } from "@/messages";
import { Button } from "@/ui/Button";
import { Select } from "@/ui/Select";
import { TextField } from "@/ui/TextField";
import { Lead, Row, Soft, Stack } from "@/ui/layout";
import { elapsedS } from "./rollClock";
import { runTime, takeName } from "./rollWords";
import { useTick } from "./useTick";
import type { Rolling } from "./useRolling";

const Big = styled(Button)`
  min-height: 76px;
  font-size: 1.25rem;
  flex: 1 1 8rem;
`;

const Time = styled.span`
  font-size: 2.4rem;
  font-weight: 600;
  line-height: 1.1;
  font-variant-numeric: tabular-nums;
`;

const Fields = styled.div`
  display: grid;
  gap: 0.6rem;
  grid-template-columns: minmax(0, 8rem) minmax(0, 11rem) minmax(0, 1fr);
  align-items: end;
  @media (max-width: 600px) {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
`;

/** Left over is told anew so often, ms. */
const TOLD_MS = 5000;
const DRAWN_MS = 200;
/** A scene is told so long before it rolls, min. */
const SOON_MIN = 20;

function minutesNow(): number {
  const now = new Date();
  return now.getHours() * 60 + now.getMinutes() + now.getSeconds() / 60;
}

/** What the day still allows, and what comes soon. */
function Left({ rolling }: { rolling: Rolling }) {
  useTick(TOLD_MS, true);
  const { bundle, scene, day, running } = rolling;
  const nowMin = minutesNow();
  const said = leftOf(bundle, scene?.id ?? null, day, nowMin).map(say);
  const soon = bundle.scenes
    .filter(({ body }) => body.day === day)
    .map(({ body }) => ({ title: body.title, minutes: minutesOfDay(body.startsAt) - nowMin }))
    .filter(({ minutes }) => minutes > 0 && minutes <= SOON_MIN)
    .map((each) => say({ code: "roll.soon", ...each }));
  const isTooLong =
    running?.body.lengthS === null &&
    cardLeftMin(bundle, day, running.body.tracks.length) * 60 < elapsedS(running.id, running.body.startedAt);
  const all = [...(isTooLong ? [say({ code: "roll.longerThanCard" })] : []), ...said, ...soon];
  return all.length > 0 ? <Soft>{all.join(" · ")}</Soft> : null;
}

/** Time of the take that runs, drawn often. */
function Running({ id, startedAt }: { id: string; startedAt: string }) {
  useTick(DRAWN_MS, true);
  return (
    <Time role="timer" aria-label="Take time">
      {runTime(elapsedS(id, startedAt))}
    </Time>
  );
}

/** While something runs the screen stays on. */
function useAwakeScreen(isOn: boolean): void {
  useEffect(() => {
    if (!isOn || !("wakeLock" in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let isHere = true;
    const ask = () => {
      if (document.visibilityState !== "visible") return;
      void navigator.wakeLock.request("screen").then(
        (got) => {
          if (isHere) lock = got;
          else void got.release();
        },
        () => undefined,
      );
    };
    ask();
    document.addEventListener("visibilitychange", ask);
    return () => {
      isHere = false;
      document.removeEventListener("visibilitychange", ask);
      void lock?.release();
    };
  }, [isOn]);
}

const anything = () => null;

/** One big control: start and stop, with what comes next filled in. */
export function TakeControl({ rolling, onSlate }: { rolling: Rolling; onSlate: () => void }) {
  const { running, slate, type, take } = rolling;
  useAwakeScreen(running !== null);
  const next = running ? null : rolling.next();
  const name = running ? takeName(running.body) : takeName({ slate, take, type });
  const file = running ? running.body.fileName : next!.fileName;
  const isClashing =
    !running &&
    file !== "" &&
    rolling.bundle.rolls.some(({ body }) => body.fileName === file && body.day === rolling.day);
  const tracks = (running ?? { body: next! }).body.tracks;
  return (
    <Stack $gap={0.7}>
      <Row $between $gap={1}>
        <div>
          <Lead role="status" data-part="verdict">
            {running ? say({ code: "roll.running", name }) : say({ code: "roll.next", name })}
          </Lead>
          <Soft>{[file, tracks.map((track) => track.name).join(", ")].filter(Boolean).join(" · ")}</Soft>
          {isClashing && <Soft role="alert">{say({ code: "scheme.clash", name: file })}</Soft>}
        </div>
        {running && <Running id={running.id} startedAt={running.body.startedAt} />}
      </Row>
      <Row data-part="next" $gap={0.6}>
        {running ? (
          <Big look="main" onPress={() => rolling.stop(running.id)}>
            <Square size={24} aria-hidden /> Stop
          </Big>
        ) : (
          <Big look="main" onPress={() => rolling.start()}>
            <Circle size={24} aria-hidden /> Start take
          </Big>
        )}
        <Big onPress={onSlate}>
          <Clapperboard size={24} aria-hidden /> Slate
        </Big>
      </Row>
      <div hidden={running !== null}>
        <Fields>
          <TextField label="Slate or shot" value={slate} maxLength={40} fault={anything} onChange={rolling.setSlate} />
          <Select<TakeType>
            label="Type"
            value={type}
            options={TAKE_TYPES.filter((each) => each !== "falseStart").map((each) => ({
              value: each,
              name: TYPE_NAMES[each],
            }))}
            onChange={rolling.setType}
          />
        </Fields>
      </div>
      <Left rolling={rolling} />
    </Stack>
  );
}
