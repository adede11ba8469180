"use client";

import { say } from "@/messages";
import { later } from "@/ui/later";
import { useState } from "react";
import { type ClapResult, echoFrom, type MeasuredEcho, type PlaceForecast } from "@/core/room";
import { OCTAVES_HZ } from "@/core/sound";
import type { Sound } from "@/workers/placeWorker";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { Table, TableScroll } from "@/ui/Table";
import { Known, Lead, Row, Soft, Stack } from "@/ui/layout";
import { showToast } from "@/ui/toasts";
import { SoundIn } from "../sound/SoundIn";
import { fetchDemoRecording } from "../sound/fetchDemoRecording";
import { useSamples, useShootStore } from "@/data/ShootProvider";
import { editPlace } from "./editPlace";
import { soundOf, usePlaceDoor } from "./usePlaceDoor";

const DecayChart = later(() => import("@/ui/DecayChart").then((module) => module.DecayChart));

/** How long the microphone listens for a clap, s. */
const CLAP_S = 8;

const octave = (hz: number) => (hz < 1000 ? `${hz} Hz` : `${hz / 1000} kHz`);

function Decays({ echo, forecast }: { echo: MeasuredEcho; forecast: PlaceForecast }) {
  const [hz, setHz] = useState(String(echo.decays.find((each) => each.hz === 1000)?.hz ?? echo.decays[0]!.hz));
  const decay = echo.decays.find((each) => String(each.hz) === hz) ?? echo.decays[0]!;
  return (
    <Stack $gap={0.7}>
      <Choice
        label="Octave"
        value={String(decay.hz)}
        options={echo.decays.map((each) => ({ value: String(each.hz), name: octave(each.hz) }))}
        onChange={setHz}
      />
      <DecayChart decay={decay} />
      <TableScroll aria-label="Reverberation by octave">
        <Table>
          <caption>Planned and measured</caption>
          <thead>
            <tr>
              <th scope="col">s</th>
              {OCTAVES_HZ.map((each) => (
                <th key={each} scope="col" data-figure>
                  {octave(each)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            <tr>
              <th scope="row">planned</th>
              {forecast.plannedOctavesS!.map((timeS, band) => (
                <td key={band} data-figure>
                  <Known $as="planned">{timeS.toFixed(2)}</Known>
                </td>
              ))}
            </tr>
            <tr>
              <th scope="row">measured</th>
              {OCTAVES_HZ.map((each) => {
                const proved = echo.decays.find((one) => one.hz === each);
                return (
                  <td key={each} data-figure>
                    {proved ? <Known $as="proved">{proved.timeS.toFixed(2)}</Known> : "–"}
                  </td>
                );
              })}
            </tr>
          </tbody>
        </Table>
      </TableScroll>
      {echo.remarks.map(say).map((remark) => (
        <Soft key={remark}>{remark}</Soft>
      ))}
    </Stack>
  );
}

/** Echo proved by a clap. */
export function EchoView(props: { placeId: string; echo: MeasuredEcho | null; forecast: PlaceForecast }) {
  const { placeId, echo, forecast } = props;
  const store = useShootStore();
  const sample = useSamples()?.claps.find((clap) => clap.placeId === placeId);
  const doorOf = usePlaceDoor();
  const [isBusy, setIsBusy] = useState(false);
  const [refusal, setRefusal] = useState<string | null>(null);
  if (!forecast.plannedS) return <Lead>No reverberation outdoors. Choose a room to measure its reverberation.</Lead>;

  async function measure(name: string, sound: Sound | string): Promise<void> {
    if (typeof sound === "string") return setRefusal(sound);
    setIsBusy(true);
    setRefusal(null);
    const result: ClapResult = await doorOf().clap(sound);
    setIsBusy(false);
    if (result.isMeasured) editPlace(store, placeId, () => ({ echo: echoFrom(name, result) }));
    else setRefusal(say(result.says));
  }

  async function takeSample(name: string): Promise<void> {
    const file = await fetchDemoRecording(name);
    if (file) await measure(file.name, file);
  }

  return (
    <Stack>
      <SoundIn
        label={echo ? "Drop another clap" : "Drop a recorded clap, balloon or slate"}
        hint="A second of silence, one clap, three seconds to ring out. Up to two minutes; the sound stays on this machine."
        recordName={`Record a clap, ${CLAP_S} s`}
        seconds={CLAP_S}
        isBusy={isBusy}
        onFile={(file) => void soundOf(file).then((sound) => measure(file.name, sound))}
        onHeard={(heard) => void measure("recorded here", heard)}
      />
      {sample && (
        <Row>
          <Soft>Or the demo&apos;s:</Soft>
          <Button onPress={() => void takeSample(sample.file)}>{sample.title}</Button>
        </Row>
      )}
      {refusal && (
        <div role="alert">
          <Lead>{refusal}</Lead>
        </div>
      )}
      {echo && (
        <>
          <Row $between>
            <Soft>Measured: {echo.file}</Soft>
            <Button
              look="quiet"
              onPress={() => {
                editPlace(store, placeId, () => ({ echo: null }));
                showToast({
                  says: "Back to the forecast.",
                  action: { name: "Undo", run: () => editPlace(store, placeId, () => ({ echo })) },
                });
              }}
            >
              Use the forecast
            </Button>
          </Row>
          <Decays key={echo.file} echo={echo} forecast={forecast} />
        </>
      )}
    </Stack>
  );
}
