"use client";

import { REMEDY_WORDS, say } from "@/messages";
import { Plus } from "lucide-react";
import { useState } from "react";
import styled from "styled-components";
import {
  isSteady,
  type NoiseSource,
  rankRemedies,
  type RemedyGain,
  sourceDb,
  type SourceKindId,
  sourceName,
  toUndo,
  treatedDb,
  usualSource,
} from "@/core/noise";
import { baseNoiseDb, noiseReverberance, noisesOf, type PlaceForecast, type PlaceModel } from "@/core/room";
import type { ShootBody } from "@/core/records";
import { aWeightedDb, OCTAVES_HZ } from "@/core/sound";
import { speechOctavesDb } from "@/core/voice";
import { later } from "@/ui/later";
import { Button } from "@/ui/Button";
import { Figure, Known, Lead, Piece, Row, Soft, Stack } from "@/ui/layout";
import { showToast } from "@/ui/toasts";
import { upperFirst } from "../dress/words";
import { useShootStore } from "@/data/ShootProvider";
import { editPlace } from "./editPlace";
import { ListenMinute } from "./ListenMinute";
import { remedyWords, whenWords } from "./noiseWords";
import { SourceForm } from "./SourceForm";
import { ToneView } from "./ToneView";

const LinesChart = later(() => import("@/ui/LinesChart").then((module) => module.default));

const octave = (hz: number): string => (hz < 1000 ? `${hz}` : `${hz / 1000}k`);

/** The steady noise of a place by octave, and a usual voice at 1 m over it. */
function NoiseUnderVoice({ forecast }: { forecast: PlaceForecast }) {
  const voice = speechOctavesDb("normal", 0);
  const noise = forecast.noiseOctavesDb;
  const over = OCTAVES_HZ.map((hz, band) => `${octave(hz)} hertz ${Math.round(voice[band]! - noise[band]!)} decibels`);
  return (
    <LinesChart
      says={`A usual voice at 1 m over the noise of the place, by octave: ${over.join(", ")}`}
      labels={OCTAVES_HZ.map(octave)}
      lines={[
        { name: "Usual voice at 1 m", values: voice },
        { name: "Noise of the place", values: noise },
      ]}
      xTitle="octave, Hz. Solid: a usual voice at 1 m. Dashed: the noise"
      yTitle="dB SPL"
    />
  );
}

const Sources = styled.div`
  display: grid;
  gap: 0.3rem;
`;

const Line = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 0.2rem 0.8rem;
  align-items: center;
  border-top: 1px dashed var(--seam);
  padding-top: 0.4rem;
`;

const Opened = styled.div`
  grid-column: 1 / -1;
  padding: 0.3rem 0 0.8rem;
`;

/** The one thing that helps most, then the others. */
function Advice({ gains, onDo }: { gains: readonly RemedyGain[]; onDo: (gain: RemedyGain) => void }) {
  const [first] = gains;
  if (!first) return <Soft>Every noise is dealt with.</Soft>;
  const says = ({ source, remedy, gainDb, dbaAfter }: RemedyGain) => {
    const about = { source: sourceName(source), remedy };
    return say(
      isSteady(source)
        ? { code: "noise.best", ...about, gainDb, afterDba: dbaAfter }
        : { code: "noise.bestOnce", ...about },
    );
  };
  return (
    <Stack $gap={0.3}>
      <Lead>{says(first)}</Lead>
      {first.remedy === "wait" ? (
        <p>Quiet times shows its gaps.</p>
      ) : (
        <div>
          <Button onPress={() => onDo(first)}>Done: {REMEDY_WORDS[first.remedy].done}</Button>
        </div>
      )}
      {gains.slice(1, 4).map((gain) => (
        <Soft key={gain.source.id}>{says(gain)}</Soft>
      ))}
    </Stack>
  );
}

/** What is heard in a place, what it does, and what can be done about it. */
export function NoiseView(props: {
  placeId: string;
  model: PlaceModel;
  forecast: PlaceForecast;
  units: ShootBody["units"];
}) {
  const { placeId, model, forecast, units } = props;
  const store = useShootStore();
  const [open, setOpen] = useState<string | null>(null);
  const reverberant = noiseReverberance(forecast.volumeM3, forecast.octavesS);
  const setSource = (id: string, change: Partial<NoiseSource>) =>
    editPlace(store, placeId, ({ sources }) => ({
      sources: sources.map((each) => (each.id === id ? { ...each, ...change } : each)),
    }));
  function add(kind: SourceKindId, isOpened: boolean): void {
    const id = crypto.randomUUID();
    editPlace(store, placeId, ({ sources, setting, lengthM }) => {
      const source = usualSource(id, kind);
      const isOutside = setting !== "open" && source.distanceM > lengthM;
      return { sources: [...sources, isOutside ? { ...source, barrier: "window" as const } : source] };
    });
    if (isOpened) setOpen(id);
  }
  function remove(source: NoiseSource): void {
    const at = model.sources.indexOf(source);
    setOpen(null);
    editPlace(store, placeId, ({ sources }) => ({ sources: sources.filter(({ id }) => id !== source.id) }));
    const undo = () =>
      editPlace(store, placeId, ({ sources }) => ({
        sources: [...sources.slice(0, at), source, ...sources.slice(at)],
      }));
    showToast({ says: `${upperFirst(sourceName(source))} removed.`, action: { name: "Undo", run: undo } });
  }
  const heard = noisesOf(model);
  const undoList = toUndo(model.sources);
  return (
    <Stack>
      <Piece aria-label="Listening">
        <Stack>
          <ListenMinute onHear={(kind) => add(kind, false)} />
          {model.sources.length > 0 && (
            <Advice
              gains={rankRemedies(baseNoiseDb(model), heard, reverberant)}
              onDo={({ source, remedy }) => setSource(source.id, { remedy, isDone: true })}
            />
          )}
          {undoList.length > 0 && (
            <Soft role="status">
              Before you leave:{" "}
              {undoList.map(({ source, remedy }) => `${sourceName(source)}, ${REMEDY_WORDS[remedy].undo}`).join("; ")}.
            </Soft>
          )}
        </Stack>
      </Piece>
      <Piece aria-label="Noise under the voice" $tight>
        <NoiseUnderVoice forecast={forecast} />
      </Piece>
      <Piece aria-label="Noises">
        <Stack $gap={0.6}>
          <Row $between>
            <Soft>{model.sources.length === 0 ? "No noise named yet." : "Named noises, as they reach the voice"}</Soft>
            <Button onPress={() => add("other", true)} isDisabled={model.sources.length >= 60}>
              <Plus size={18} aria-hidden /> Add a noise
            </Button>
          </Row>
          <Sources>
            {model.sources.map((source, index) => (
              <Line key={source.id}>
                <div>
                  <strong>{upperFirst(sourceName(source))}</strong>
                  <Soft>
                    {whenWords(source)} · {remedyWords(source)}
                  </Soft>
                </div>
                <Figure>
                  <Known $as={source.levelDba === null ? "planned" : "proved"}>
                    {Math.max(0, aWeightedDb(treatedDb(heard[index]!, reverberant))).toFixed(0)}
                  </Known>
                  <small>
                    dBA{source.isDone ? `, was ${aWeightedDb(sourceDb(heard[index]!, reverberant)).toFixed(0)}` : ""}
                  </small>
                </Figure>
                <Button
                  look="quiet"
                  aria-expanded={open === source.id}
                  aria-label={`${open === source.id ? "Close" : "Change"} ${sourceName(source)}`}
                  onPress={() => setOpen(open === source.id ? null : source.id)}
                >
                  {open === source.id ? "Close" : "Change"}
                </Button>
                {open === source.id && (
                  <Opened>
                    <SourceForm
                      source={source}
                      units={units}
                      set={(change) => setSource(source.id, change)}
                      onRemove={() => remove(source)}
                    />
                  </Opened>
                )}
              </Line>
            ))}
          </Sources>
          {model.tone?.isCalibrated && (
            <Soft>The calibrated room tone has the steady ones in it: they are not counted twice.</Soft>
          )}
        </Stack>
      </Piece>
      <Piece aria-label="Room tone">
        <ToneView placeId={placeId} tone={model.tone} />
      </Piece>
    </Stack>
  );
}
