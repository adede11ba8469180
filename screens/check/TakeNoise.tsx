"use client";

import { useState } from "react";
import type { RecordingMeasurement } from "@/core/check";
import { levelsOfRig, placeOfRig, planRig } from "@/core/planning";
import { noiseFromTake } from "@/screens/check/noiseFromTake";
import type { Stored } from "@/core/records";
import { aWeightedDb, mapOctaves } from "@/core/sound";
import { Button } from "@/ui/Button";
import { Row, Soft } from "@/ui/layout";
import { useShoot, useShootStore } from "@/data/ShootProvider";
import { editPlace } from "../scout/editPlace";

/** Less than this is the noise that was planned, dB. */
const WORTH_DB = 3;

/** Gives the place the noise that this take has in its pauses, where it says more than what is known. */
export function TakeNoise({
  rig,
  measurement,
  channel,
}: {
  rig: Stored<"rig">;
  measurement: RecordingMeasurement;
  channel: number;
}) {
  const { bundle } = useShoot();
  const store = useShootStore();
  const [isTaken, setTaken] = useState(false);
  const [found] = useState(() => {
    const place = placeOfRig(bundle, rig.body);
    const wearer = bundle.wearers.find(({ id }) => id === rig.body.wearerId);
    const subject = levelsOfRig(bundle, rig.id);
    const plan = wearer && place ? planRig(wearer.body, rig.body, place.body, bundle.kit) : null;
    const measured = measurement.channels[channel];
    if (!place || !subject || !plan?.candidate || !plan.place || !measured) return null;
    const { file, format } = measurement;
    const tone = noiseFromTake(file, format.durationS, measured, subject, plan.candidate);
    if (!tone?.isCalibrated) return null;
    const dba = aWeightedDb(mapOctaves((band) => tone.octavesDb[band]!));
    return { place, tone, dba, plannedDba: plan.place.noiseDba };
  });
  if (!found || Math.abs(found.dba - found.plannedDba) < WORTH_DB) return null;
  if (isTaken) return <p role="status">Taken: {found.place.body.name} has this noise now.</p>;
  return (
    <Row>
      <Button
        onPress={() => {
          editPlace(store, found.place.id, () => ({ tone: found.tone }));
          setTaken(true);
        }}
      >
        Give {found.place.body.name} this noise: {found.dba.toFixed(0)} dBA
      </Button>
      <Soft>forecast {found.plannedDba.toFixed(0)} dBA</Soft>
    </Row>
  );
}
