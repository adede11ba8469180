"use client";

import type { LevelSubject } from "@/core/planning";
import { OtherSources } from "../shell/OtherSources";
import { stateOf } from "./levelState";
import { useLevels } from "./useLevels";

const saysOf = (subject: LevelSubject): string => [subject.input?.name, stateOf(subject)].filter(Boolean).join(" · ");

/** Ways to a file that begin at no talent: booms, planted microphones, feeds. */
export function LevelSources() {
  const { subjects, chosen, choose } = useLevels();
  return (
    <OtherSources
      items={subjects
        .filter(({ wearerId }) => wearerId === null)
        .map((subject) => ({ id: subject.id, name: subject.name, says: saysOf(subject) }))}
      chosenId={chosen?.id ?? null}
      onChoose={choose}
    />
  );
}
