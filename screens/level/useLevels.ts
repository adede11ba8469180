"use client";

import { setInAddress, useAddress } from "@/ui/address";
import { useMemo } from "react";
import { levelsBodyOf, levelsOf, type LevelSubject, lineOf, type SettingsCard, withLine } from "@/core/planning";
import { type LevelLine, type LevelsBody, scenesInOrder } from "@/core/records";
import { useFocus } from "../shell/useFocus";
import { useShoot, useShootStore } from "@/data/ShootProvider";
import { useFirstChange } from "@/data/useFirstChange";

/** Every way of the shoot in the order of its scenes, and the one that is named in the address. */
export function useLevels(): {
  subjects: readonly LevelSubject[];
  chosen: LevelSubject | null;
  choose: (id: string) => void;
} {
  const { bundle } = useShoot();
  const { query } = useAddress();
  const subjects = useMemo(() => {
    const order = new Map(scenesInOrder(bundle.scenes).map(({ id }, index) => [id, index]));
    const at = ({ sceneId }: LevelSubject) => order.get(sceneId ?? "") ?? Infinity;
    return [...levelsOf(bundle)].sort((one, other) => at(one) - at(other));
  }, [bundle]);
  const { talent, scene } = useFocus();
  const way = query.get("way");
  const ofTalent = subjects.filter(({ wearerId }) => wearerId !== null && wearerId === talent?.id);
  const chosen =
    subjects.find(({ id }) => id === way) ??
    ofTalent.find(({ sceneId }) => sceneId === scene?.id) ??
    ofTalent[0] ??
    (talent ? null : (subjects[0] ?? null));
  const choose = (id: string) => setInAddress({ way: id });
  return { subjects, chosen, choose };
}

/** Changes of how a shoot sets its levels. */
export function useLevelsRecord(): {
  set: (change: Partial<LevelsBody>) => void;
  setLine: (subject: string, change: (line: LevelLine) => Partial<LevelLine>) => void;
  /** A device is set as its card says; or not any more. */
  tick: (subject: string, card: SettingsCard, isOn: boolean) => void;
} {
  const store = useShootStore();
  const changeOrMake = useFirstChange();
  const edit = (change: (body: LevelsBody) => LevelsBody) => {
    const { bundle } = store.snapshot();
    changeOrMake("levels", bundle.levels[0]?.id, () => levelsBodyOf(bundle), change);
  };
  const setLine = (subject: string, change: (line: LevelLine) => Partial<LevelLine>) =>
    edit((body) => withLine(body, subject, change(lineOf(body, subject))));
  return {
    set: (change) => edit((body) => ({ ...body, ...change })),
    setLine,
    tick: (subject, { deviceId, holdsFor }, isOn) =>
      setLine(subject, ({ ticks }) => ({
        ticks: [
          ...ticks.filter((each) => each.device !== deviceId),
          ...(isOn ? [{ device: deviceId, holdsFor, at: new Date().toISOString() }] : []),
        ],
      })),
  };
}
