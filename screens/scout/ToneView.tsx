"use client";

import { say } from "@/messages";
import { useState } from "react";
import type { MeasuredTone } from "@/core/noise";
import { aWeightedDb, mapOctaves, OCTAVES_HZ } from "@/core/sound";
import type { Sound } from "@/workers/placeWorker";
import { Button } from "@/ui/Button";
import { NumberField } from "@/ui/NumberField";
import { Table, TableScroll } from "@/ui/Table";
import { Tick } from "@/ui/Ticks";
import { Known, Lead, Row, Soft, Stack } from "@/ui/layout";
import { SoundIn } from "../sound/SoundIn";
import { useShootStore } from "@/data/ShootProvider";
import { editPlace } from "./editPlace";
import { soundOf, usePlaceDoor } from "./usePlaceDoor";
import { clipText } from "@/core/schema";

const TONE_S = 30;
/** What 0 dBFS stands for with a lavalier and usual gain, until somebody reads a meter. Common practice. */
const FIRST_CALIBRATION_DB = 100;
const SPL = { unit: "dB SPL", factor: 1, digits: 1, step: 1 } as const;

function Tone({ tone }: { tone: MeasuredTone }) {
  const levels = mapOctaves((band) => tone.octavesDb[band]!);
  const unit = tone.isCalibrated ? "dB SPL" : "dBFS";
  return (
    <Stack $gap={0.5}>
      <Lead>
        {say({
          code: "noise.tone",
          level: aWeightedDb(levels),
          isCalibrated: tone.isCalibrated,
          humHz: tone.humHz,
          trendDbPerMin: tone.trendDbPerMin,
        })}
      </Lead>
      <TableScroll aria-label="Room tone by octave">
        <Table>
          <tbody>
            <tr>
              <th scope="row">Hz</th>
              {OCTAVES_HZ.map((hz) => (
                <th key={hz} scope="col" data-figure>
                  {hz}
                </th>
              ))}
            </tr>
            <tr>
              <th scope="row">{unit}</th>
              {levels.map((levelDb, band) => (
                <td key={band} data-figure>
                  <Known $as={tone.isCalibrated ? "proved" : "planned"}>{levelDb.toFixed(0).replace("-", "−")}</Known>
                </td>
              ))}
            </tr>
          </tbody>
        </Table>
      </TableScroll>
      {!tone.isCalibrated && (
        <Soft>Only its colour is used: how loud it is stays the estimate until a meter was read beside it.</Soft>
      )}
    </Stack>
  );
}

/** Noise proved by a recording without voices. */
export function ToneView({ placeId, tone }: { placeId: string; tone: MeasuredTone | null }) {
  const store = useShootStore();
  const doorOf = usePlaceDoor();
  const [isBusy, setIsBusy] = useState(false);
  const [refusal, setRefusal] = useState<string | null>(null);
  const [calibrationDb, setCalibrationDb] = useState<number | null>(null);

  async function measure(file: string, sound: Sound | string): Promise<void> {
    if (typeof sound === "string") return setRefusal(sound);
    setIsBusy(true);
    setRefusal(null);
    const result = await doorOf().tone(sound, calibrationDb);
    setIsBusy(false);
    if (!result.isMeasured) return setRefusal(say(result.says));
    const { octavesDb, isCalibrated, seconds, humHz, trendDbPerMin } = result;
    editPlace(store, placeId, () => ({
      tone: { file: clipText(file, 200), octavesDb, isCalibrated, seconds, humHz, trendDbPerMin },
    }));
  }

  return (
    <Stack $gap={0.7}>
      <Soft>Room tone: half a minute in which nobody speaks or moves.</Soft>
      <Row>
        <Tick
          label="I know the level of 0 dBFS"
          isOn={calibrationDb !== null}
          onChange={(isOn) => setCalibrationDb(isOn ? FIRST_CALIBRATION_DB : null)}
        />
        {calibrationDb !== null && (
          <NumberField
            label="0 dBFS is"
            value={calibrationDb}
            minimum={40}
            maximum={170}
            shown={SPL}
            onChange={setCalibrationDb}
          />
        )}
      </Row>
      <SoundIn
        label={tone ? "Drop another room tone" : "Drop a room tone"}
        hint="Up to ten minutes; the sound stays on this machine."
        recordName={`Record room tone, ${TONE_S} s`}
        seconds={TONE_S}
        isBusy={isBusy}
        onFile={(file) => void soundOf(file).then((sound) => measure(file.name, sound))}
        onHeard={(heard) => void measure("recorded here", heard)}
      />
      {refusal && <p role="alert">{refusal}</p>}
      {tone && (
        <>
          <Tone tone={tone} />
          <div>
            <Button look="quiet" onPress={() => editPlace(store, placeId, () => ({ tone: null }))}>
              Use the estimate
            </Button>
          </div>
        </>
      )}
    </Stack>
  );
}
