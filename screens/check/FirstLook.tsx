"use client";

import { useMemo, useState } from "react";
import { TakeView } from "./take/TakeView";
import { useLook } from "./take/useLook";

/** Every one is a trip to the card while the card is being measured. */
const COLUMNS = 480;

const nothing = () => {
  // Nothing is found yet, so there is nothing to choose.
};

/** A file's shape while it is measured, all of it and closely: nobody waits for it. */
export function FirstLook({ file }: { file: File }) {
  const look = useLook(file, COLUMNS);
  const [cursorS, setCursorS] = useState<number | null>(null);
  const { seen } = look;
  const facts = useMemo(
    () =>
      seen && {
        durationS: seen.frames / seen.sampleRateHz,
        sampleRateHz: seen.sampleRateHz,
        overview: null,
        course: [],
        lines: [],
        marks: [],
      },
    [seen],
  );
  if (!facts) return null;
  return (
    <TakeView
      look={look}
      facts={facts}
      channel={0}
      chosen={null}
      cursorS={cursorS}
      onChoose={nothing}
      onCursor={setCursorS}
      playedS={null}
    />
  );
}
