"use client";

import { say } from "@/messages";
import { useEffect, useState } from "react";
import type { AirScene } from "@/core/planning";
import { packScan, type Scan, simulatedScan } from "@/core/wireless";
import { Button } from "@/ui/Button";
import { FileDrop } from "@/ui/FileDrop";
import { NumberField } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { Tick } from "@/ui/Ticks";
import { Columns, Row, Soft, Stack } from "@/ui/layout";
import { showToast } from "@/ui/toasts";
import { useShoot } from "@/data/ShootProvider";
import { wholeView } from "./spectrumScale";
import { useAirDoor, type AirEdits } from "./useAir";

/** How long a receiver takes to scan. Common practice: about a minute. */
const SCAN_S = 60;
const HOURS = { unit: "h", factor: 1, digits: 0, step: 1 } as const;

/** A scan takes its minute, unless one does not want to wait. */
function useMinute(onDone: () => void): { left: number | null; begin: () => void; skip: () => void } {
  const [left, setLeft] = useState<number | null>(null);
  useEffect(() => {
    if (left === null) return;
    const timer = setTimeout(() => {
      if (left > 1) return setLeft(left - 1);
      setLeft(null);
      onDone();
    }, 1000);
    return () => clearTimeout(timer);
  }, [left, onDone]);
  return {
    left,
    begin: () => setLeft(SCAN_S),
    skip: () => {
      setLeft(null);
      onDone();
    },
  };
}

/** Getting to know the air: from a receiver's file, or from the simulated scanner. */
export function ScanTools({ air, edits }: { air: AirScene; edits: AirEdits }) {
  const { bundle } = useShoot();
  const doorOf = useAirDoor();
  const places = bundle.places.map(({ id, body }) => ({ value: id, name: body.name }));
  const [placeId, setPlaceId] = useState(places[0]?.value ?? "");
  const [hour, setHour] = useState(10);
  const [isOff, setIsOff] = useState(false);
  const [says, setSays] = useState<string | null>(null);
  const keep = (scan: Scan) => {
    const before = air.body.scan;
    edits.edit((body) => ({ ...body, scan: packScan(scan) }));
    showToast({
      says: `Scan kept: ${scan.name}.`,
      action: { name: "Undo", run: () => edits.edit((body) => ({ ...body, scan: before })) },
    });
  };
  const minute = useMinute(() => {
    const { from, to } = wholeView(air.plan);
    const place = places.find(({ value }) => value === placeId)?.name ?? "here";
    const ownMHz = isOff ? [] : air.carriers.map(({ frequencyMHz }) => frequencyMHz);
    keep(simulatedScan({ place, hour, fromMHz: Math.floor(from), toMHz: Math.ceil(to), stepKHz: 25, ownMHz }));
    setSays(
      isOff || ownMHz.length === 0
        ? null
        : "Your own transmitters were on: the scan shows them as taken. Switch them off and scan again.",
    );
  });
  return (
    <Stack $gap={0.7}>
      <Tick label="All our own transmitters are off" isOn={isOff} onChange={setIsOff} />
      <FileDrop
        label="Drop a receiver's scan here"
        hint="CSV, a frequency and a level a row. Several sweeps are merged by their strongest."
        button="Choose scans"
        accepts={[".csv", ".txt", "text/csv", "text/plain"]}
        onFiles={(files) => {
          doorOf()
            .readScans([...files])
            .then((outcome) => {
              if ("refused" in outcome) return setSays(say(outcome.refused));
              keep(outcome.scan);
              setSays(say(outcome.says));
            })
            .catch(() => setSays("This browser could not start the reader: reload the page."));
        }}
      />
      <Columns $template="1fr 1fr">
        {places.length > 0 && <Select label="Simulated at" value={placeId} options={places} onChange={setPlaceId} />}
        <NumberField label="Hour" value={hour} minimum={0} maximum={23} shown={HOURS} onChange={setHour} />
      </Columns>
      {minute.left === null ? (
        <Button onPress={minute.begin}>Scan with the simulated scanner</Button>
      ) : (
        <Row role="status" $gap={0.6}>
          <span>Scanning: {minute.left} s left</span>
          <Button onPress={minute.skip}>Skip the wait</Button>
        </Row>
      )}
      {says && <p role="status">{says}</p>}
      <Soft>
        {say(air.plan.scan ? { code: "scan.inUse", scan: air.plan.scan.name } : { code: "scan.notYet" })} The simulated
        air is invented; scan with your receiver where you will shoot.
      </Soft>
    </Stack>
  );
}
