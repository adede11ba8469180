import { newRoll, numbered, rollSetupOf } from "@/core/planning";
import type { MarkBody, RollBody, RollSetupBody } from "@/core/records";
import { nextTake, renumbered, type TakeType } from "@/core/roll";
import type { ShootStore, Undo } from "@/data/shootStore";
import type { useFirstChange } from "@/data/useFirstChange";
import { showToast } from "@/ui/toasts";
import { beginTake, elapsedS } from "./rollClock";
import { runningOf, takeName } from "./rollWords";

const DEVICE = "hypophon.device";

/** A name for this device that stays: two that log one take are told apart by it. */
function thisDevice(): string {
  try {
    const known = localStorage.getItem(DEVICE);
    if (known) return known;
    const made = crypto.randomUUID();
    localStorage.setItem(DEVICE, made);
    return made;
  } catch {
    return "unnamed";
  }
}

/** Two of a kind that the program heard closer together are one, s. */
const SAME_S = 1.5;

const hundredth = (seconds: number): number => Math.round(seconds * 100) / 100;
/** A light touch in the hand, where there is one. */
const tap = (): void => {
  if ("vibrate" in navigator) navigator.vibrate(20);
};

/** What is typed for the next take, in one scene. */
export interface Draft {
  sceneId: string | null;
  slate: string;
  type: TakeType;
}

/** What is rolled now, and where it is kept. */
export interface RollPlace {
  store: ShootStore;
  firstChange: ReturnType<typeof useFirstChange>;
  sceneId: string | null;
  day: number;
  slate: string;
  type: TakeType;
  setDraft: (draft: Draft) => void;
}

/**
 * Everything that is done at the take: start, stop, mark, rate. The log is read when something is done, so that what calls these
 * need not be drawn anew with every mark.
 */
export function rollActions({ store, firstChange, sceneId, day, slate, type, setDraft }: RollPlace) {
  const running = () => runningOf(store.snapshot().bundle.rolls, Date.now());
  const wish = () => ({
    ...{ sceneId, day, slate, type },
    startedAt: new Date().toISOString(),
    zoneMin: -new Date().getTimezoneOffset(),
    device: thisDevice(),
  });
  const changeSetup = (change: (body: RollSetupBody) => RollSetupBody): void =>
    firstChange(
      "rollSetup",
      store.snapshot().bundle.rollSetups[0]?.id,
      () => rollSetupOf(store.snapshot().bundle),
      change,
    );
  const edit = (id: string, change: Partial<RollBody>): void =>
    store.edit("roll", id, (body) => ({ ...body, ...change }));
  const stop = (id: string): void => {
    store.edit("roll", id, (body) =>
      body.lengthS === null ? { ...body, lengthS: hundredth(elapsedS(id, body.startedAt)) } : body,
    );
    tap();
  };
  const mark = (rollId: string, atS: number, own: Partial<MarkBody> & Pick<MarkBody, "kind">): string => {
    if (own.source !== "heard") tap();
    return store.create("mark", {
      ...{
        shootId: store.snapshot().bundle.shoot.id,
        rollId,
        atS: hundredth(Math.max(0, atS)),
        trackId: null,
        note: "",
      },
      ...{ source: "pressed", isProposal: false },
      ...own,
    });
  };

  return {
    changeSetup,
    edit,
    stop,
    setSlate: (value: string) => setDraft({ sceneId, slate: value, type }),
    setType: (value: TakeType) => setDraft({ sceneId, slate, type: value }),
    /** What the next take would be: its name and its tracks. */
    next: (): RollBody => newRoll(store.snapshot().bundle, wish()),
    start(): string {
      const before = running();
      if (before) stop(before.id);
      const body = newRoll(store.snapshot().bundle, wish());
      const id = store.create("roll", body);
      beginTake(id);
      tap();
      if (rollSetupOf(store.snapshot().bundle).scheme.includes("{counter"))
        changeSetup((now) => ({ ...now, counter: now.counter + 1 }));
      // Takes are what is mostly rolled: the next one is one again.
      if (type !== "take") setDraft({ sceneId, slate, type: "take" });
      return id;
    },
    /** A mark at this moment of the take that runs, or at the end of the last one. */
    markNow(kind: string, trackId: string | null = null, source: MarkBody["source"] = "pressed"): string | null {
      const take = running();
      if (!take) return null;
      return mark(take.id, elapsedS(take.id, take.body.startedAt), { kind, trackId, source });
    },
    /** What the program heard just now, or some seconds ago: a proposal, if it was in the take that runs. */
    hear(kind: string, agoS = 0): void {
      const take = running();
      if (!take) return;
      const atS = elapsedS(take.id, take.body.startedAt) - agoS;
      // A signal that is lost may be told by the meter and by the ear.
      const isTold = store
        .snapshot()
        .bundle.marks.some(
          ({ body }) => body.rollId === take.id && body.kind === kind && Math.abs(body.atS - atS) < SAME_S,
        );
      if (atS >= 0 && !isTold) mark(take.id, atS, { kind, source: "heard", isProposal: true });
    },
    mark,
    editMark: (id: string, change: Partial<MarkBody>): void =>
      store.edit("mark", id, (body) => ({ ...body, ...change })),
    removeMark(id: string, name: string): void {
      const undo = store.remove("mark", id);
      showToast({ says: `${name} removed.`, action: { name: "Undo", run: undo } });
    },
    /** Gives a take another number; those after it on the slate follow. */
    renumber(id: string, take: number): void {
      const numbers = renumbered(numbered(store.snapshot().bundle.rolls), id, take);
      const before = new Map(store.snapshot().bundle.rolls.map((roll) => [roll.id, roll.body.take]));
      for (const [each, number] of numbers) edit(each, { take: number });
      if (numbers.size > 1)
        showToast({
          says: `${numbers.size} takes renumbered.`,
          action: { name: "Undo", run: () => numbers.forEach((_, each) => edit(each, { take: before.get(each)! })) },
        });
    },
    /** Makes two takes of one at a moment of it; marks go with their part. */
    split(id: string, atS: number): void {
      const now = store.snapshot().bundle;
      const roll = now.rolls.find((each) => each.id === id);
      if (!roll?.body.lengthS || atS <= 0 || atS >= roll.body.lengthS) return;
      const { body } = roll;
      const take = nextTake(numbered(now.rolls), body);
      const later = store.create("roll", {
        ...body,
        ...{ take, lengthS: hundredth(body.lengthS! - atS), rating: "none", note: "", counter: null, files: [] },
        startedAt: new Date(Date.parse(body.startedAt) + atS * 1000).toISOString(),
      });
      edit(id, { lengthS: hundredth(atS) });
      for (const { id: markId, body: own } of now.marks)
        if (own.rollId === id && own.atS >= atS)
          store.edit("mark", markId, (each) => ({ ...each, rollId: later, atS: hundredth(own.atS - atS) }));
    },
    /** Makes one take of two that follow one another; marks of the second go along, what it was rated and noted is kept as a note. */
    join(id: string, otherId: string): void {
      const now = store.snapshot().bundle;
      const [one, other] = [id, otherId].map((each) => now.rolls.find((roll) => roll.id === each));
      if (!one || !other) return;
      const byS = (Date.parse(other.body.startedAt) - Date.parse(one.body.startedAt)) / 1000;
      const endS = Math.max(one.body.lengthS ?? 0, byS + (other.body.lengthS ?? 0));
      const notes = [one.body.note, other.body.note].filter(Boolean).join(" · ");
      const files = [
        ...one.body.files,
        ...other.body.files.filter(({ name }) => one.body.files.every((each) => each.name !== name)),
      ];
      edit(id, { lengthS: hundredth(endS), note: notes.slice(0, 2000), files });
      const moved = now.marks.filter(({ body }) => body.rollId === otherId);
      for (const { id: markId, body } of moved)
        store.edit("mark", markId, (each) => ({ ...each, rollId: id, atS: hundredth(Math.max(0, body.atS + byS)) }));
      const undoRemove = store.remove("roll", otherId);
      showToast({
        says: `${takeName(other.body)} joined to ${takeName(one.body)}.`,
        action: {
          name: "Undo",
          run: () => {
            undoRemove();
            for (const { id: markId, body } of moved) store.edit("mark", markId, () => body);
            edit(id, { lengthS: one.body.lengthS, note: one.body.note, files: one.body.files });
          },
        },
      });
    },
    /** Puts a take into the log that nobody logged, before another. */
    insertBefore(id: string): string | null {
      const now = store.snapshot().bundle;
      const roll = now.rolls.find((each) => each.id === id);
      if (!roll) return null;
      const { body } = roll;
      const startedAt = new Date(Date.parse(body.startedAt) - 60_000).toISOString();
      const made = store.create("roll", {
        ...body,
        // How long it ran nobody knows yet.
        ...{ startedAt, lengthS: 0, rating: "none", note: "", counter: null, files: [], fileName: "" },
      });
      const numbers = renumbered(numbered(store.snapshot().bundle.rolls), id, body.take + 1);
      for (const [each, number] of numbers) if (each !== made) edit(each, { take: number });
      return made;
    },
    remove(id: string, name: string): void {
      const undo: Undo = store.remove("roll", id);
      showToast({ says: `${name} deleted with its marks.`, action: { name: "Undo", run: undo } });
    },
  };
}
export type RollActions = ReturnType<typeof rollActions>;
