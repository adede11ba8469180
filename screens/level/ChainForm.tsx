"use client";

import { say } from "@/messages";
import { Link } from "@/ui/address";
import { deviceFaults, type MicLevels, type School, SCHOOLS } from "@/core/chain";
import { choicesOf, levelsBodyOf, type LevelSubject, USUAL_TARGETS } from "@/core/planning";
import { CEILING_RANGE_DBFS, TARGET_RANGE_DBFS } from "@/core/records";
import { Disclosure } from "@/ui/Disclosure";
import { NumberField, UNITS } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { Columns, Soft, Stack } from "@/ui/layout";
import { useShoot, useShootStore } from "@/data/ShootProvider";
import { DeviceFields } from "./DeviceFields";
import { useLevelsRecord } from "./useLevels";

const SCHOOL_NAMES: Record<School, string> = {
  own: "Own figures",
  minus12: "Peaks at −12, never above −6",
  below6: "Peaks just below −6",
  threeQuarters: "Three quarters of the meter",
  average20: "Around −20 on average, 24 bit",
};

const DBFS = { ...UNITS.decibel, unit: "dBFS" };

/** Where the voice should be: a school for the shoot, or figures for this way. */
function Targets({ subject }: { subject: LevelSubject }) {
  const { bundle } = useShoot();
  const store = useShootStore();
  const { set, setLine } = useLevelsRecord();
  const { school, meterBottomDbfs } = levelsBodyOf(bundle);
  const { rig, line, targets } = subject;
  const own = rig ? rig.body : (line.targets ?? USUAL_TARGETS);
  const change = (to: Partial<typeof USUAL_TARGETS>) => {
    const next = { targetDbfs: own.targetDbfs, ceilingDbfs: own.ceilingDbfs, ...to };
    if (rig) store.edit("rig", rig.id, (body) => ({ ...body, ...next }));
    else setLine(subject.id, () => ({ targets: next }));
  };
  return (
    <Stack $gap={0.6}>
      <Select
        label="Where the voice should be"
        value={school}
        options={SCHOOLS.map((value) => ({ value, name: SCHOOL_NAMES[value] }))}
        onChange={(value) => set({ school: value })}
      />
      {school === "threeQuarters" && (
        <NumberField
          label="The meter begins at"
          value={meterBottomDbfs}
          minimum={-90}
          maximum={-20}
          shown={DBFS}
          onChange={(value) => set({ meterBottomDbfs: value })}
        />
      )}
      {school === "own" ? (
        <Columns $template="1fr 1fr">
          <NumberField
            label="Peaks at"
            value={own.targetDbfs}
            minimum={TARGET_RANGE_DBFS.minimum}
            maximum={Math.min(TARGET_RANGE_DBFS.maximum, own.ceilingDbfs)}
            shown={DBFS}
            onChange={(targetDbfs) => change({ targetDbfs })}
          />
          <NumberField
            label="Never above"
            value={own.ceilingDbfs}
            minimum={Math.max(CEILING_RANGE_DBFS.minimum, own.targetDbfs)}
            maximum={CEILING_RANGE_DBFS.maximum}
            shown={DBFS}
            onChange={(ceilingDbfs) => change({ ceilingDbfs })}
          />
        </Columns>
      ) : (
        <Soft>
          Peaks of the loudest line at {targets.targetDbfs.toFixed(0).replace("-", "−")} dBFS, never above{" "}
          {targets.ceilingDbfs.toFixed(0).replace("-", "−")}.
        </Soft>
      )}
    </Stack>
  );
}

const MIC_FIELDS = [
  { key: "sensitivityMvPerPa", label: "Sensitivity", minimum: 0.1, maximum: 100, unit: "mV/Pa" },
  { key: "selfNoiseDba", label: "Self-noise", minimum: 5, maximum: 60, unit: "dBA" },
  { key: "maxSplDb", label: "Overload", minimum: 90, maximum: 180, unit: "dB SPL" },
] as const;

/** Data-sheet figures of a microphone that stands free. */
function MicFigures({ subject, mic }: { subject: LevelSubject; mic: MicLevels }) {
  const { setLine } = useLevelsRecord();
  const { sensitivityMvPerPa, selfNoiseDba, maxSplDb } = mic;
  const figures = { sensitivityMvPerPa, selfNoiseDba, maxSplDb };
  return (
    <Disclosure title="Specifications">
      <Stack $gap={0.6}>
        {MIC_FIELDS.map(({ key, unit, ...field }) => (
          <NumberField
            key={key}
            {...field}
            value={figures[key]}
            shown={{ unit, factor: 1, digits: 1, step: 1 }}
            onChange={(value) => setLine(subject.id, () => ({ mic: { ...figures, [key]: value } }))}
          />
        ))}
        <Soft>{mic.isTypical ? "Typical of its kind." : "Your own."}</Soft>
      </Stack>
    </Disclosure>
  );
}

/** Knobs that somebody leaves where they are; the others are set round them. */
function Held({ subject }: { subject: LevelSubject }) {
  const { setLine } = useLevelsRecord();
  const { plan } = subject;
  if (!plan || plan.knobs.length === 0) return null;
  const AS_PLANNED = "planned";
  return (
    <Disclosure title={`Lock a control${plan.knobs.some(({ isHeld }) => isHeld) ? " (held)" : ""}`}>
      <Stack $gap={0.6}>
        {plan.knobs.map((knob) => (
          <Select
            key={knob.stageId}
            label={`${knob.name}, ${knob.device}`}
            value={knob.isHeld ? String(knob.valueDb) : AS_PLANNED}
            options={[
              { value: AS_PLANNED, name: `as planned${knob.isHeld ? "" : `: ${knob.says}`}` },
              ...knob.choices.map(({ valueDb, says }) => ({ value: String(valueDb), name: says })),
            ]}
            onChange={(value) =>
              setLine(subject.id, ({ held }) => ({
                held: [
                  ...held.filter(({ stage }) => stage !== knob.stageId),
                  ...(value === AS_PLANNED ? [] : [{ stage: knob.stageId, valueDb: Number(value) }]),
                ],
              }))
            }
          />
        ))}
      </Stack>
    </Disclosure>
  );
}

/** What the levels depend on: devices with their figures, where the voice should be, and what is held. */
export function ChainForm({ subject }: { subject: LevelSubject }) {
  const { bundle } = useShoot();
  const store = useShootStore();
  const { setLine } = useLevelsRecord();
  const { rig, kind, levels, input, connection } = subject;
  const set = (change: object) => rig && store.edit("rig", rig.id, (body) => ({ ...body, ...change }));
  const isOnRecorder = input?.id === "recorder35" || input?.id === "recorderXlr";
  const faults = levels ? deviceFaults(levels.chain) : [];
  return (
    <Stack>
      {rig && (
        <>
          <DeviceFields label="Microphone" kind="lav" chosenId={rig.body.lavId} onChoose={(lavId) => set({ lavId })} />
          {levels?.way.radio && (
            <>
              <DeviceFields
                label="Pack"
                kind="pack"
                chosenId={rig.body.packId}
                onChoose={(packId) => set({ packId })}
              />
              <DeviceFields
                label="Receiver"
                kind="receiver"
                chosenId={rig.body.receiverId}
                onChoose={(receiverId) => set({ receiverId })}
              />
            </>
          )}
          {isOnRecorder && (
            <DeviceFields
              label="Recorder input"
              kind="input"
              chosenId={rig.body.inputId}
              onChoose={(inputId) => set({ inputId })}
            />
          )}
        </>
      )}
      {kind === "placed" && subject.source && (
        <Select
          label="Into"
          value={input?.id ?? ""}
          options={choicesOf(bundle).inputs.map(({ id, name }) => ({ value: id, name }))}
          onChange={(inputId) => setLine(subject.id, () => ({ inputId }))}
        />
      )}
      {kind === "placed" && levels?.way.mic && <MicFigures subject={subject} mic={levels.way.mic} />}
      {faults.map(say).map((says) => (
        <p key={says} role="alert">
          {says}
        </p>
      ))}
      <Targets subject={subject} />
      <Held subject={subject} />
      <Soft>
        Figures are typical of their kind until you put in those of your own data sheets.
        {connection && (
          <>
            {" "}
            Choose another input or cable at{" "}
            <Link href={`/shoots/${bundle.shoot.id}/link?view=cables&link=${connection.link.id}`}>Link</Link>.
          </>
        )}
      </Soft>
    </Stack>
  );
}
