"use client";

import { Download } from "lucide-react";
import { useEffect, useState } from "react";
import {
  alignedTracks,
  apartMessage,
  deliveryMessage,
  LOUDNESS_TARGETS,
  type LoudnessTarget,
  type LoudnessTargetId,
  type Mix,
  type TrackApart,
} from "@/core/deliver";
import { say } from "@/messages";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { Lead, Row, Soft, Stack } from "@/ui/layout";
import { NumberField, UNITS } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { Tick } from "@/ui/Ticks";
import type { Opened } from "@/workers/editWorker";
import { saveBlob } from "../../files/saveFile";
import { Working } from "./Opening";
import { nameWith, pickTarget } from "./saveSound";
import { useShare } from "./useShare";
import type { Editing } from "./useEditing";

const FORM = { bits: 24, isFloat: false } as const;
const OWN = "own";
type Wanted = LoudnessTargetId | typeof OWN;
const IDS = Object.keys(LOUDNESS_TARGETS) as LoudnessTargetId[];

const signed = (value: number | null): string => (value === null ? "−∞" : value.toFixed(1).replace("-", "−"));

/** Tracks brought to the loudness that is asked for, in a new file. */
export function DeliverView({ file, opened, editing }: { file: File; opened: Opened; editing: Editing }) {
  const { door } = editing;
  const { channels, measurement, phrases } = opened;
  const all = measurement.channels.map(({ index }) => index);
  const [wanted, setWanted] = useState<Wanted>("r128");
  const [own, setOwn] = useState<LoudnessTarget>({ integratedLufs: -19, toleranceLu: 0.5, truePeakDbtp: -1 });
  const [tracks, setTracks] = useState<readonly number[]>(all);
  const [isMixed, setMixed] = useState(channels > 2);
  const { share, begin, end } = useShare();
  const [says, setSays] = useState<string | null>(null);
  const [apart, setApart] = useState<readonly TrackApart[]>([]);
  const [isAligned, setAligned] = useState(true);
  useEffect(() => {
    if (channels < 2) return;
    let isOver = false;
    void door()
      .apart(file, phrases)
      .then((answer) => {
        if (!isOver && "value" in answer) setApart(answer.value);
      });
    return () => {
      isOver = true;
    };
  }, [door, file, phrases, channels]);
  const target = wanted === OWN ? own : LOUDNESS_TARGETS[wanted];
  const isProgramme = tracks.length > 0 && (isMixed || tracks.length <= 2);
  const save = async () => {
    const name = nameWith(file, isMixed ? "mix" : "delivered");
    const place = await pickTarget(name);
    if (place === "none") return;
    const plain = tracks.map((channel) => ({ channel, gainDb: 0 }));
    const mix: Mix = {
      ...{ tracks: isAligned ? alignedTracks(plain, apart) : plain, isMixed: isMixed && tracks.length > 1 },
      ...{ gainDb: 0, ceilingDbtp: null },
    };
    setSays(null);
    const onProgress = begin();
    const answer = await door().deliver(file, mix, target, FORM, place, onProgress);
    end();
    if ("refused" in answer) {
      setSays(say(answer.refused));
      return;
    }
    if (!answer.value) {
      setSays(say({ code: "deliver.silent" }));
      return;
    }
    const { blob, after, gainDb, limitedDb } = answer.value;
    if (blob) saveBlob(name, blob);
    const levels = { integratedLufs: after.integratedLufs ?? -200, truePeakDbtp: after.truePeakDbtp ?? -200 };
    setSays(say(deliveryMessage(levels, target, { gainDb, limitedDb })));
  };
  return (
    <Stack $gap={0.8}>
      <Lead>
        {file.name}: {signed(measurement.overall.integratedLufs)} LUFS, true peak{" "}
        {signed(measurement.overall.truePeakDbtp)} dBTP.
      </Lead>
      <Row>
        <Select<Wanted>
          label="Where it goes"
          value={wanted}
          options={[
            ...IDS.map((id) => ({
              value: id,
              name: `${say({ code: "deliver.target", target: id })}: ${signed(LOUDNESS_TARGETS[id].integratedLufs)} LUFS`,
            })),
            { value: OWN, name: "A loudness of your own" },
          ]}
          onChange={setWanted}
        />
        {wanted === OWN && (
          <>
            <NumberField
              label="Loudness"
              value={own.integratedLufs}
              {...{ minimum: -60, maximum: 0, shown: { ...UNITS.decibel, unit: "LUFS" } }}
              onChange={(integratedLufs) => setOwn({ ...own, integratedLufs })}
            />
            <NumberField
              label="True peak at most"
              value={own.truePeakDbtp}
              {...{ minimum: -20, maximum: 0, shown: { ...UNITS.decibel, unit: "dBTP" } }}
              onChange={(truePeakDbtp) => setOwn({ ...own, truePeakDbtp })}
            />
          </>
        )}
      </Row>
      {channels > 1 && (
        <Row role="group" aria-label="Tracks">
          {all.map((channel) => (
            <Tick
              key={channel}
              label={`Track ${channel + 1}`}
              isOn={tracks.includes(channel)}
              onChange={(isOn) =>
                setTracks(
                  isOn ? [...tracks, channel].toSorted((a, b) => a - b) : tracks.filter((each) => each !== channel),
                )
              }
            />
          ))}
          <Choice<"apart" | "mixed">
            isPlain
            label="How they are delivered"
            value={isMixed ? "mixed" : "apart"}
            options={[
              { value: "apart", name: "As they are" },
              { value: "mixed", name: "Mixed to one" },
            ]}
            onChange={(value) => setMixed(value === "mixed")}
          />
        </Row>
      )}
      {apart.length > 0 && (
        <Stack $gap={0.3}>
          {apart.map((each) => (
            <Soft key={each.channel}>{say(apartMessage(each))}</Soft>
          ))}
          <div>
            <Tick label="Bring them together in time and polarity" isOn={isAligned} onChange={setAligned} />
          </div>
        </Stack>
      )}
      {!isProgramme && (
        <Soft role="status">
          {tracks.length === 0
            ? "Choose a track."
            : "More than two tracks are no programme: mix them to one, or choose two."}
        </Soft>
      )}
      {share !== null && <Working says="Delivering it" share={share} />}
      <Row>
        <Button look="main" isDisabled={!isProgramme || share !== null} onPress={() => void save()}>
          <Download size={18} aria-hidden /> Save at {signed(target.integratedLufs)} LUFS
        </Button>
        <Soft role="status">{says ?? `True peaks stay under ${signed(target.truePeakDbtp)} dBTP.`}</Soft>
      </Row>
    </Stack>
  );
}
