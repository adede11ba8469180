"use client";

import { lengthWords, say, LESSON_NAMES } from "@/messages";
import { Plus } from "lucide-react";
import { later } from "@/ui/later";
import { useState } from "react";
import {
  type Lesson,
  lessonsFor,
  MICROPHONES,
  MOST_MICS,
  MOST_TALKERS,
  type PlacedMic,
  type Talker,
} from "@/core/pickup";
import type { PickupScene } from "@/screens/pickup/pickupScene";
import { OCTAVES_HZ } from "@/core/sound";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { Select } from "@/ui/Select";
import { Lead, Row, Soft, Stack } from "@/ui/layout";
import { showToast } from "@/ui/toasts";
import { useShoot } from "@/data/ShootProvider";
import { PlanView, type Chosen } from "./PlanView";
import { capsuleOf, flatOf, frameOf, mouthOf, type Look } from "./planSpace";
import type { PickupEdits } from "./usePickup";

const MicFields = later(() => import("./ThingFields").then((module) => module.MicFields));
const TalkerFields = later(() => import("./ThingFields").then((module) => module.TalkerFields));

const LOOKS = [
  { value: "above", name: "From above" },
  { value: "side", name: "From the side" },
] as const;
const BAND_OPTIONS = OCTAVES_HZ.map((hz, band) => ({
  value: String(band),
  name: hz < 1000 ? `${hz} Hz` : `${hz / 1000} kHz`,
}));
/** Things to try with the chosen microphone: each moves it and says what that did. */
function Lessons({ lessons, onTry }: { lessons: readonly Lesson[]; onTry: (lesson: Lesson) => void }) {
  return (
    <Stack $gap={0.4}>
      <Soft>Try it, and see what it does here:</Soft>
      <Row $gap={0.4}>
        {lessons.map((lesson) => (
          <Button key={lesson.id} onPress={() => onTry(lesson)}>
            {LESSON_NAMES[lesson.id]}
          </Button>
        ))}
      </Row>
    </Stack>
  );
}

/** The plan with what stands on it, and the exact figures of what is chosen. */
export function Arrangement(props: {
  pickup: PickupScene;
  mics: readonly PlacedMic[];
  edits: PickupEdits;
  onOwn: () => void;
}) {
  const { pickup, mics, edits, onOwn } = props;
  const { bundle } = useShoot();
  const { units } = bundle.shoot.body;
  const { talkers } = pickup.body.setup;
  const [look, setLook] = useState<Look>("above");
  const [band, setBand] = useState(3);
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [lesson, setLesson] = useState<string | null>(null);
  // While something is dragged the view stays as it was; a button fits it anew.
  const fit = () => frameOf(flatOf(look, talkers[0]), [...talkers.map(mouthOf), ...mics.map(capsuleOf)]);
  const { lengthM, widthM, heightM } = pickup.placeModel;
  const whole = () =>
    frameOf(flatOf(look, talkers[0]), [
      [0, 0, 0],
      [lengthM, 0, heightM],
      [0, widthM, 0],
      [lengthM, widthM, heightM],
    ]);
  const key = `${look} ${mics.map(({ id }) => id).join()} ${talkers.length}`;
  const [view, setView] = useState({ key, frame: fit() });
  if (view.key !== key) setView({ key, frame: fit() });
  const threads = new Map(bundle.wearers.map(({ id, body }) => [id, body.thread]));
  const talker = chosen?.kind === "talker" ? talkers.find(({ id }) => id === chosen.id) : undefined;
  const mic = chosen?.kind === "mic" ? mics.find(({ id }) => id === chosen.id) : undefined;
  const setMic = (each: PlacedMic, change: Partial<PlacedMic>) => {
    // What was shown becomes what stands there, with this change.
    const isOwn = pickup.own !== null && mics === pickup.body.setup.mics;
    if (isOwn) edits.setMic(mics, each.id, change);
    else {
      edits.setSetup((now) => ({
        ...now,
        mics: mics.map((one) => (one.id === each.id ? { ...one, ...change } : one)),
      }));
      onOwn();
    }
  };
  const heardBy = talkers.find(({ isInstrument }) => !isInstrument);
  return (
    <Stack $gap={0.7}>
      <Row $between>
        <Choice label="Seen" value={look} options={LOOKS} onChange={setLook} />
        <Row $gap={0.5}>
          <Select
            label="Patterns at"
            value={String(band)}
            options={BAND_OPTIONS}
            onChange={(next) => setBand(Number(next))}
          />
          <Button onPress={() => setView({ key, frame: fit() })}>Fit to people</Button>
          <Button onPress={() => setView({ key, frame: whole() })}>Whole place</Button>
        </Row>
      </Row>
      <PlanView
        place={pickup.placeModel}
        sound={pickup.sound}
        talkers={talkers}
        mics={mics}
        threads={threads}
        look={look}
        frame={view.frame}
        band={band}
        chosen={chosen}
        onChoose={setChosen}
        onTalker={(each, change) => edits.setTalker(each.id, change)}
        onMic={setMic}
      />
      <Soft>
        Drag, or arrow keys: {lengthWords(0.05)} a press. Rings turn. Dotted: critical distance. The small wedge is the
        breath.
      </Soft>
      {lesson && <Lead role="status">{lesson}</Lead>}
      {talker && (
        <TalkerFields
          talker={talker}
          units={units}
          set={(change) => edits.setTalker(talker.id, change)}
          onRemove={
            talkers.length > 1
              ? () => edits.setSetup((now) => ({ ...now, talkers: now.talkers.filter(({ id }) => id !== talker.id) }))
              : null
          }
        />
      )}
      {mic && (
        <>
          <MicFields
            mic={mic}
            units={units}
            set={(change) => setMic(mic, change)}
            onRemove={() => {
              edits.setSetup((now) => ({ ...now, mics: mics.filter(({ id }) => id !== mic.id) }));
              onOwn();
            }}
          />
          {heardBy && (
            <Lessons
              lessons={lessonsFor(mic, heardBy, pickup.sound)}
              onTry={(tried) => {
                const { id, ...change } = tried.mic;
                setMic(mic, change);
                setLesson(say(tried.says));
                showToast({
                  says: `${LESSON_NAMES[tried.id]}.`,
                  action: { name: "Undo", run: () => edits.setMic(mics, id, mic) },
                });
              }}
            />
          )}
        </>
      )}
      <Row $gap={0.4}>
        <Button
          isDisabled={talkers.length >= MOST_TALKERS}
          onPress={() => {
            const next = nextTalker(talkers);
            edits.setSetup((now) => ({ ...now, talkers: [...now.talkers, next] }));
            setChosen({ kind: "talker", id: next.id });
          }}
        >
          <Plus size={18} aria-hidden /> Add a talker
        </Button>
        <Button
          isDisabled={mics.length >= MOST_MICS || !talkers[0]}
          onPress={() => {
            const next = nextMic(talkers[0]!);
            edits.setSetup((now) => ({ ...now, mics: [...mics, next] }));
            setChosen({ kind: "mic", id: next.id });
            onOwn();
          }}
        >
          <Plus size={18} aria-hidden /> Add a microphone
        </Button>
      </Row>
    </Stack>
  );
}

function nextTalker(talkers: readonly Talker[]): Talker {
  const last = talkers.at(-1);
  return {
    id: crypto.randomUUID(),
    name: `Talker ${talkers.length + 1}`,
    wearerId: null,
    at: last ? { xM: last.at.xM + 0.8, yM: last.at.yM } : { xM: 2, yM: 2 },
    mouthM: last?.mouthM ?? 1.2,
    facesDeg: last?.facesDeg ?? 0,
    turnsDeg: 0,
    effort: "normal",
    path: [],
    isInstrument: false,
  };
}

/** A small cardioid half a metre before somebody, a little aside. */
function nextMic(talker: Talker): PlacedMic {
  const turn = ((talker.facesDeg + 30) * Math.PI) / 180;
  return {
    id: crypto.randomUUID(),
    microphone: "standCardioid",
    pattern: MICROPHONES.standCardioid.patterns[0],
    holder: MICROPHONES.standCardioid.holder,
    at: { xM: talker.at.xM + 0.5 * Math.sin(turn), yM: talker.at.yM + 0.5 * Math.cos(turn) },
    heightM: talker.mouthM,
    aimsDeg: (talker.facesDeg + 210) % 360,
    tiltDeg: 0,
    hasScreen: false,
    handsM: null,
  };
}
