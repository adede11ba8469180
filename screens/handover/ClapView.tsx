"use client";

import type * as Comlink from "comlink";
import { Link2 } from "lucide-react";
import { useEffect, useState } from "react";
import styled from "styled-components";
import type { Clap } from "@/core/sync";
import { say } from "@/messages";
import { Button } from "@/ui/Button";
import { Piece, Row, Soft, Stack } from "@/ui/layout";
import { Select } from "@/ui/Select";
import { Slider } from "@/ui/Slider";
import type { LineUpDoor, Scanned } from "@/workers/lineUpWorker";
import { clockTime } from "./matchWords";
import { nameOf } from "./pairs";

/** Frames to either side of the chosen one. */
const BESIDE = 2;
const MOST_CLAPS = 8;
const USUAL_RATE = 25;

const Strip = styled.div`
  display: grid;
  grid-template-columns: repeat(${2 * BESIDE + 1}, minmax(0, 1fr));
  gap: 0.3rem;
  button {
    padding: 0;
    border: 2px solid var(--seam-soft);
    background: var(--paper-deep);
    color: inherit;
    font: inherit;
    font-size: 0.8rem;
    cursor: pointer;
    min-width: 0;
  }
  button[aria-pressed="true"] {
    border-color: var(--chalk);
    font-weight: 600;
  }
  img,
  span[data-none] {
    display: block;
    width: 100%;
    aspect-ratio: 16 / 9;
    object-fit: contain;
    background: #000;
  }
`;

/** Pictures of frames by their numbers, as addresses of the page; told why there are none. */
function useStills(door: () => Comlink.Remote<LineUpDoor>, picture: Scanned | null, frame: number, rate: number) {
  const [state, setState] = useState<{ urls: readonly (string | null)[]; says: string | null }>({
    urls: [],
    says: null,
  });
  useEffect(() => {
    if (!picture) return;
    let isOver = false;
    let made: string[] = [];
    const times = Array.from({ length: 2 * BESIDE + 1 }, (_, at) => (frame + at - BESIDE) / rate);
    void door()
      .stills(picture.file, times)
      .then((answer) => {
        if (isOver) return;
        if ("refused" in answer) {
          setState({ urls: [], says: say(answer.refused) });
          return;
        }
        const urls = answer.frames.map((blob) => (blob ? URL.createObjectURL(blob) : null));
        made = urls.filter((url) => url !== null);
        setState({ urls, says: null });
      });
    return () => {
      isOver = true;
      // The next ones are there by then.
      setTimeout(() => made.forEach((url) => URL.revokeObjectURL(url)), 2000);
    };
  }, [door, picture, frame, rate]);
  return state;
}

/** Claps of a file; empty until it is listened to. */
function useClaps(door: () => Comlink.Remote<LineUpDoor>, scanned: Scanned | null): readonly Clap[] {
  const [found, setFound] = useState<{ of: Scanned | null; claps: readonly Clap[] }>({ of: null, claps: [] });
  useEffect(() => {
    if (!scanned) return;
    let isOver = false;
    void door()
      .claps(scanned.file, scanned.seconds, MOST_CLAPS)
      .then((claps) => {
        if (!isOver) setFound({ of: scanned, claps });
      });
    return () => {
      isOver = true;
    };
  }, [door, scanned]);
  return found.of === scanned ? found.claps : [];
}

const loudest = (claps: readonly Clap[]): Clap | null =>
  claps.reduce<Clap | null>((best, each) => (best && best.riseDb >= each.riseDb ? best : each), null);

/** A pair by its clap: heard in the sound, seen in the frame in which the hands meet. */
export function ClapView(props: {
  pictures: readonly Scanned[];
  sounds: readonly Scanned[];
  door: () => Comlink.Remote<LineUpDoor>;
  /** `offsetS`: time in the sound at the picture's first frame. */
  onKeep: (picture: Scanned, sound: Scanned, offsetS: number) => void;
}) {
  const { pictures, sounds, door, onKeep } = props;
  const [picturePath, setPicture] = useState<string | null>(null);
  const [soundPath, setSound] = useState<string | null>(null);
  const [clapAtS, setClap] = useState<number | null>(null);
  const [wanted, setWanted] = useState<number | null>(null);
  const picture = pictures.find(({ path }) => path === picturePath) ?? pictures[0] ?? null;
  const sound = sounds.find(({ path }) => path === soundPath) ?? sounds[0] ?? null;
  const rate = picture?.frameRate ?? USUAL_RATE;
  const claps = useClaps(door, sound);
  // A camera that heard it shows where to look.
  const seen = loudest(useClaps(door, picture));
  const lastFrame = Math.max(0, Math.ceil((picture?.seconds ?? 0) * rate) - 1);
  const frame = Math.min(lastFrame, wanted ?? Math.floor((seen?.atS ?? 0) * rate));
  const { urls, says } = useStills(door, picture, frame, rate);
  const clap = claps.find(({ atS }) => atS === clapAtS) ?? loudest(claps);
  if (!picture || !sound) return null;
  return (
    <Piece aria-label="Match by a clap">
      <Stack $gap={0.6}>
        <h2>Match by a clap</h2>
        <Row>
          <Select
            label="Picture"
            value={picture.path}
            options={pictures.map(({ path }) => ({ value: path, name: nameOf(path) }))}
            onChange={(path) => {
              setPicture(path);
              setWanted(null);
            }}
          />
          <Select
            label="Sound"
            value={sound.path}
            options={sounds.map(({ path }) => ({ value: path, name: nameOf(path) }))}
            onChange={(path) => {
              setSound(path);
              setClap(null);
            }}
          />
          {claps.length > 0 && clap && (
            <Select
              label="Clap in the sound"
              value={String(clap.atS)}
              options={claps.map(({ atS, riseDb }) => ({
                value: String(atS),
                name: `${clockTime(atS)}, ${Math.round(riseDb)} dB`,
              }))}
              onChange={(value) => setClap(Number(value))}
            />
          )}
        </Row>
        {says ? (
          <Soft role="status">{says}</Soft>
        ) : (
          <>
            <Strip role="group" aria-label="Frames">
              {Array.from({ length: 2 * BESIDE + 1 }, (_, at) => frame + at - BESIDE).map((own, at) => (
                <button
                  key={at}
                  type="button"
                  disabled={own < 0 || own > lastFrame}
                  aria-pressed={own === frame}
                  aria-label={`Frame ${own}`}
                  onClick={() => setWanted(own)}
                >
                  {urls[at] ? <img src={urls[at]} alt="" /> : <span data-none />}
                  {own >= 0 && own <= lastFrame ? own : "–"}
                </button>
              ))}
            </Strip>
            <Slider
              label="Frame in which the hands meet"
              value={frame}
              {...{ minimum: 0, maximum: lastFrame, step: 1 }}
              says={`${frame}, ${clockTime(frame / rate)}`}
              onChange={setWanted}
            />
          </>
        )}
        <Row>
          <Button
            isDisabled={clap === null || says !== null}
            onPress={() => clap && onKeep(picture, sound, clap.atS - frame / rate)}
          >
            <Link2 size={18} aria-hidden /> Match them
          </Button>
          <Soft role="status">
            {clap === null
              ? "No clap is heard in this sound."
              : `The sound starts ${clockTime(Math.abs(clap.atS - frame / rate))} ${clap.atS >= frame / rate ? "before" : "after"} the picture.`}
          </Soft>
        </Row>
      </Stack>
    </Piece>
  );
}
