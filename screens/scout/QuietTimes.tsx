"use client";

import { clockWords, say, timeWords } from "@/messages";
import { emptyShoot, LENGTH_RANGE_MIN, type SceneBody, type ShootBundle, TAKE_RANGE_MIN } from "@/core/records";
import { useEffect, useState } from "react";
import { lengthOf, minutesOfDay, timeOfDay } from "@/core/schedule";
import { quietDay, type QuietDay, type QuietScene, USUAL_DAY } from "@/core/planning";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { NumberField } from "@/ui/NumberField";
import { Table, TableScroll } from "@/ui/Table";
import { TimeField } from "@/ui/TimeField";
import { Tick } from "@/ui/Ticks";
import { Columns, Lead, Piece, Row, Soft, Stack } from "@/ui/layout";
import { showToast } from "@/ui/toasts";
import { upperFirst } from "../dress/words";
import { useShoot, useShootStore } from "@/data/ShootProvider";
import { DayStrip } from "./DayStrip";
import { usePlaceDoor } from "./usePlaceDoor";
import { noisyWords } from "./noiseWords";

const MINUTES = { unit: "min", factor: 1, digits: 1, step: 5 } as const;

type Wishes = typeof USUAL_DAY;

/** The day as the worker weighs it; what was known stays until the new answer is there. */
function useQuietDay(bundle: ShootBundle, day: number, wishes: Wishes): QuietDay | null {
  const doorOf = usePlaceDoor();
  const [answer, setAnswer] = useState<QuietDay | null>(null);
  const { shoot, places, scenes } = bundle;
  useEffect(() => {
    let isWanted = true;
    // What a day depends on, and nothing more crosses the door.
    const asked = { ...emptyShoot(shoot), places, scenes };
    doorOf()
      .quietDay(asked, day, wishes)
      .then((next) => isWanted && setAnswer(next))
      // Without workers the page weighs it itself.
      .catch(() => isWanted && setAnswer(quietDay(asked, day, wishes)));
    return () => {
      isWanted = false;
    };
  }, [doorOf, shoot, places, scenes, day, wishes]);
  return answer;
}

function chanceWords({ interruptions }: QuietScene): string {
  if (interruptions.perTake === 0) return "stays clean";
  const chance = Math.round(100 * interruptions.cleanChance);
  return `${interruptions.perTake.toFixed(1)} noises a take, ${chance} % stay clean`;
}

/** Each scene's wishes, what crosses it, and what to expect. */
function SceneTable({
  quiet,
  wishes,
  setWishes,
}: {
  quiet: QuietDay;
  wishes: Wishes;
  setWishes: (next: Wishes) => void;
}) {
  const store = useShootStore();
  return (
    <Stack>
      {quiet.scenes.map((each) => {
        const { scene, conflicts, longestRun, planned } = each;
        const isFixed = wishes.fixed.includes(scene.id);
        const set = (change: Partial<SceneBody>) => store.edit("scene", scene.id, (body) => ({ ...body, ...change }));
        return (
          <Stack key={scene.id} $gap={0.4} role="group" aria-label={scene.body.title}>
            <strong>{scene.body.title}</strong>
            <Columns $template="1fr 1fr 1.2fr">
              <NumberField
                label="Sound wanted"
                value={scene.body.lengthMin}
                {...LENGTH_RANGE_MIN}
                shown={MINUTES}
                onChange={(next) => set({ lengthMin: next })}
              />
              <NumberField
                label="Longest take"
                value={scene.body.takeMin}
                {...TAKE_RANGE_MIN}
                shown={MINUTES}
                onChange={(next) => set({ takeMin: next })}
              />
              <Tick
                label={`Fixed at ${timeWords(scene.body.startsAt)}`}
                isOn={isFixed}
                onChange={(isOn) =>
                  setWishes({
                    ...wishes,
                    fixed: isOn ? [...wishes.fixed, scene.id] : wishes.fixed.filter((id) => id !== scene.id),
                  })
                }
              />
            </Columns>
            <p>
              {conflicts.length === 0
                ? "Nothing with a known time crosses it."
                : `Crossed by ${conflicts.map(noisyWords).join(", ")}${planned ? `: waits ${Math.round(planned.waitsMin)} min, done ${clockWords(planned.toMin)}` : ""}.`}
            </p>
            <Soft>
              {upperFirst(chanceWords(each))}
              {longestRun
                ? ` · longest clean run ${clockWords(longestRun.fromMin)} to ${clockWords(longestRun.toMin)} (${Math.round(lengthOf(longestRun))} min)`
                : " · no clean run that day"}
            </Soft>
          </Stack>
        );
      })}
    </Stack>
  );
}

/** The best order found, and taking it over. */
function BestOrder({ quiet }: { quiet: QuietDay }) {
  const store = useShootStore();
  const { best } = quiet;
  const titleOf = (id: string) => quiet.scenes.find(({ scene }) => scene.id === id)!.scene.body.title;
  const isAsPlanned = best.placed.every(({ id, fromMin }) => {
    const each = quiet.scenes.find(({ scene }) => scene.id === id)!;
    return minutesOfDay(each.scene.body.startsAt) === Math.round(fromMin);
  });
  function take(): void {
    const before = quiet.scenes.map(({ scene }) => ({ id: scene.id, startsAt: scene.body.startsAt }));
    const setTimes = (times: readonly { id: string; startsAt: string }[]) => {
      for (const { id, startsAt } of times) store.edit("scene", id, (body) => ({ ...body, startsAt }));
    };
    setTimes(best.placed.map(({ id, fromMin }) => ({ id, startsAt: timeOfDay(Math.ceil(fromMin)) })));
    showToast({ says: "The day has its new times.", action: { name: "Undo", run: () => setTimes(before) } });
  }
  return (
    <Stack $gap={0.6}>
      <Lead>
        {say(best.placed.length === 0 ? { code: "quiet.noScene" } : { code: "quiet.order", finishMin: best.finishMin })}
      </Lead>
      {best.placed.length > 0 && (
        <TableScroll aria-label="Best order">
          <Table>
            <tbody>
              {best.placed.map(({ id, fromMin, toMin, waitsMin }) => (
                <tr key={id}>
                  <td>
                    <strong>
                      {clockWords(fromMin)}–{clockWords(toMin)}
                    </strong>
                  </td>
                  <th scope="row">{titleOf(id)}</th>
                  <td data-figure>{waitsMin >= 1 ? `waits ${Math.round(waitsMin)} min` : ""}</td>
                </tr>
              ))}
            </tbody>
          </Table>
        </TableScroll>
      )}
      {best.left.map(({ id, says }) => (
        <p key={id}>
          <strong>{titleOf(id)}</strong> is left out. {say(says)}
        </p>
      ))}
      {best.placed.length > 0 && !isAsPlanned && (
        <div>
          <Button onPress={take}>Use these times</Button>
        </div>
      )}
      <Soft>
        {best.isProved
          ? "No other order records more or ends earlier."
          : "The best order found; with so many scenes not all were tried."}{" "}
        A noise counts when it is as loud as what is there anyway.
      </Soft>
    </Stack>
  );
}

/** When each scene of a day can be recorded between the noises of its place. */
export function QuietTimes({ firstDay }: { firstDay: number }) {
  const { bundle } = useShoot();
  const store = useShootStore();
  const days = [...new Set(bundle.scenes.map(({ body }) => body.day))].sort((one, other) => one - other);
  const [chosen, setDay] = useState(firstDay);
  const day = days.includes(chosen) ? chosen : (days[0] ?? 1);
  const [wishes, setWishes] = useState<Wishes>(USUAL_DAY);
  const quiet = useQuietDay(bundle, day, wishes);
  if (bundle.scenes.length === 0)
    return (
      <Piece>
        <Stack>
          <Lead>Which scenes are recorded when?</Lead>
          <Soft>Add a scene to plan it into the quiet times.</Soft>
        </Stack>
      </Piece>
    );
  const clock = (
    label: string,
    value: number,
    set: (minutes: number) => void,
    isRight: (minutes: number) => boolean,
  ) => (
    <TimeField
      label={label}
      value={timeOfDay(value)}
      fault={(text) => (isRight(minutesOfDay(text)) ? null : "The day must end after it begins.")}
      onChange={(text) => set(minutesOfDay(text))}
    />
  );
  const { within } = wishes;
  return (
    <Stack>
      <Piece aria-label="Day">
        <Stack>
          <Row $gap={1}>
            {days.length > 1 && (
              <Choice
                label="Day"
                value={String(day)}
                options={days.map((each) => ({ value: String(each), name: `Day ${each}` }))}
                onChange={(next) => setDay(Number(next))}
              />
            )}
            {clock(
              "Day from",
              within.fromMin,
              (fromMin) => setWishes({ ...wishes, within: { ...within, fromMin } }),
              (minutes) => minutes < within.toMin,
            )}
            {clock(
              "Day to",
              within.toMin,
              (toMin) => setWishes({ ...wishes, within: { ...within, toMin } }),
              (minutes) => minutes > within.fromMin,
            )}
            <NumberField
              label="Company move"
              value={wishes.moveMin}
              minimum={0}
              maximum={240}
              shown={MINUTES}
              onChange={(moveMin) => setWishes({ ...wishes, moveMin })}
            />
          </Row>
          {quiet ? (
            <DayStrip
              quiet={{ ...quiet, scenes: withNewTimes(quiet.scenes, bundle) }}
              onMove={(sceneId, startMin) =>
                store.edit("scene", sceneId, (body) => ({ ...body, startsAt: timeOfDay(startMin) }))
              }
            />
          ) : (
            <Soft role="status">Planning the day…</Soft>
          )}
          <Soft>Hatched: a noise is heard. Drag a scene, or move it with the arrow keys.</Soft>
        </Stack>
      </Piece>
      {quiet && (
        <Columns $template="minmax(0, 1.1fr) minmax(0, 1fr)">
          <Piece aria-label="Scenes">
            <SceneTable quiet={quiet} wishes={wishes} setWishes={setWishes} />
          </Piece>
          <Piece aria-label="Best order">
            <BestOrder quiet={quiet} />
          </Piece>
        </Columns>
      )}
    </Stack>
  );
}

/** A scene that was just moved stands where it is now, though its day is still being weighed. */
function withNewTimes(scenes: readonly QuietScene[], bundle: ShootBundle): QuietScene[] {
  return scenes.flatMap((each) => {
    const scene = bundle.scenes.find(({ id }) => id === each.scene.id);
    return scene ? [{ ...each, scene }] : [];
  });
}
