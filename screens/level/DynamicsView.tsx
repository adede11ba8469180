"use client";

import { say } from "@/messages";
import { later } from "@/ui/later";
import { type Dynamics, type LevelPlan, SAFETY_OFFSETS_DB, settledDbfs, squeeze, USUAL_DYNAMICS } from "@/core/chain";
import { type LevelSubject, provisionBodyOf } from "@/core/planning";
import { minus } from "@/core/sound";
import { Choice } from "@/ui/Choice";
import { NumberField, UNITS } from "@/ui/NumberField";
import { Columns, Soft, Stack } from "@/ui/layout";
import { useShoot } from "@/data/ShootProvider";
import { useLevelsRecord } from "./useLevels";

const LinesChart = later(() => import("@/ui/LinesChart").then((module) => module.default));

const KINDS = [
  { value: "none", name: "Neither" },
  { value: "limiter", name: "Limiter" },
  { value: "compressor", name: "Compressor" },
] as const;
type Kind = (typeof KINDS)[number]["value"];

const FIELDS = [
  { key: "thresholdDbfs", label: "Threshold", minimum: -60, maximum: 0, shown: { ...UNITS.decibel, unit: "dBFS" } },
  { key: "ratio", label: "Ratio", minimum: 1, maximum: 100, shown: { unit: ": 1", factor: 1, digits: 1, step: 1 } },
  { key: "kneeDb", label: "Knee", minimum: 0, maximum: 30, shown: UNITS.decibel },
  { key: "makeupDb", label: "Make-up", minimum: 0, maximum: 30, shown: UNITS.decibel },
] as const;

/** From which ratio on it is called a limiter. Common practice. */
const LIMITS_FROM = 10;
const kindOf = (dynamics: Dynamics | null): Kind =>
  dynamics === null ? "none" : dynamics.ratio >= LIMITS_FROM ? "limiter" : "compressor";

const SCALE_DBFS = Array.from({ length: 37 }, (_, index) => -72 + 2 * index);

/** A second track lower: what it still takes. */
function SafetyTrack({ plan }: { plan: LevelPlan }) {
  const { bundle } = useShoot();
  const has = provisionBodyOf(bundle).hasSafetyTracks;
  const at = (offsetDb: number) =>
    `${offsetDb} dB lower it takes a line ${(offsetDb - plan.peakDbfs).toFixed(0)} dB louder`;
  return (
    <p>
      {has ? "A safety track is planned: " : "A safety track would save a take: "}
      {SAFETY_OFFSETS_DB.map(at).join("; ")}. It saves what is too loud for the file, not what clips before it.
    </p>
  );
}

/** Limiter, compressor and safety track: off by default, and what they do. */
export function DynamicsView({ subject, plan }: { subject: LevelSubject; plan: LevelPlan }) {
  const { setLine } = useLevelsRecord();
  const { dynamics } = subject.line;
  const set = (next: Dynamics | null) => setLine(subject.id, () => ({ dynamics: next }));
  const squeezed = dynamics && squeeze(dynamics, plan);
  return (
    <Stack $gap={0.6}>
      <SafetyTrack plan={plan} />
      <Choice
        label="While recording"
        value={kindOf(dynamics)}
        options={KINDS}
        onChange={(kind) => set(kind === "none" ? null : USUAL_DYNAMICS[kind])}
      />
      {dynamics === null || squeezed === null ? (
        <Soft>
          Left to the edit: what is compressed while recording cannot be undone. A limiter is a seat belt only.
        </Soft>
      ) : (
        <Columns $template="1fr 1fr">
          <Stack $gap={0.5}>
            <p role="status">{say(squeezed.says)}</p>
            <Soft>
              Loudest peaks {minus(plan.peakDbfs)} to {minus(squeezed.peakDbfs)} dBFS, softest line{" "}
              {minus(plan.softestDbfs)} to {minus(squeezed.softestDbfs)}, noise {minus(plan.noiseDbfs)} to{" "}
              {minus(squeezed.noiseDbfs)}.
            </Soft>
            <Columns $template="1fr 1fr">
              {FIELDS.map(({ key, ...field }) => (
                <NumberField
                  key={key}
                  {...field}
                  value={dynamics[key]}
                  onChange={(value) => set({ ...dynamics, [key]: value })}
                />
              ))}
            </Columns>
          </Stack>
          <LinesChart
            says={`Level out for level in: ${minus(settledDbfs(dynamics, 0))} dBFS out for 0 in`}
            labels={SCALE_DBFS.map((level) => minus(level))}
            lines={[
              { name: "left alone", values: SCALE_DBFS },
              { name: "out", values: SCALE_DBFS.map((level) => settledDbfs(dynamics, level)) },
            ]}
            xTitle="in, dBFS"
            yTitle="out, dBFS"
          />
        </Columns>
      )}
    </Stack>
  );
}
