import type { DeviceMessage } from "./deviceMessages";

/** What a control of a device stands at. */
export type Setting = boolean | string | number;

interface AnyKnob<State> {
  id: string;
  name: string;
  does: (state: State, value: Setting) => State;
  /** Why it cannot be moved now; null where it can. */
  refuses?: (state: State) => DeviceMessage | null;
}

/** One control of a device's front: a switch, a choice from a menu, a figure in steps, or a button. */
export type Knob<State> =
  | (AnyKnob<State> & { kind: "switch"; reads: (state: State) => boolean })
  | (AnyKnob<State> & {
      kind: "choice";
      options: readonly { value: string; name: string }[];
      reads: (state: State) => string;
    })
  | (AnyKnob<State> & {
      kind: "turn";
      minimum: number;
      maximum: number;
      step: number;
      unit: string;
      reads: (state: State) => number;
    })
  | (AnyKnob<State> & { kind: "push" });

/** A simulated device: a stand-in with the states that matter, changed by its controls only. */
export interface Machine<State> {
  name: string;
  /** As it leaves the factory, with fresh batteries. */
  factory: State;
  knobs: readonly Knob<State>[];
  /** What stops every control but the named ones: hold, no power. */
  stops: (state: State) => { says: DeviceMessage; but: readonly string[] } | null;
  /** After some seconds: batteries drain, storage fills, a scan goes on. */
  passes: (state: State, seconds: number) => State;
}

type Keys<State, Kind> = { [Key in keyof State]: State[Key] extends Kind ? Key : never }[keyof State] & string;

export const toggle = <State>(id: Keys<State, boolean>, name: string): Knob<State> => ({
  kind: "switch",
  id,
  name,
  reads: (state) => state[id] as boolean,
  does: (state, value) => ({ ...state, [id]: value }),
});

export const turner = <State>(
  id: Keys<State, number>,
  name: string,
  [minimum, maximum, step]: readonly [number, number, number],
  unit = "dB",
): Knob<State> => ({
  kind: "turn",
  id,
  name,
  minimum,
  maximum,
  step,
  unit,
  reads: (state) => state[id] as number,
  does: (state, value) => ({ ...state, [id]: value }),
});

export const chooser = <State>(
  id: Keys<State, string | number>,
  name: string,
  options: readonly (readonly [string, string])[],
  isNumber = false,
): Knob<State> => ({
  kind: "choice",
  id,
  name,
  options: options.map(([value, shown]) => ({ value, name: shown })),
  reads: (state) => String(state[id]),
  does: (state, value) => ({ ...state, [id]: isNumber ? Number(value) : value }),
});

export const pusher = <State>(
  id: string,
  name: string,
  does: (state: State) => State,
  refuses?: (state: State) => DeviceMessage | null,
): Knob<State> => ({ kind: "push", id, name, does, ...(refuses && { refuses }) });

/** Whether a control can stand at a value; figures within their range are moved onto their steps. */
function fitting<State>(knob: Knob<State>, value: Setting): Setting | null {
  if (knob.kind === "push") return true;
  if (knob.kind === "switch") return typeof value === "boolean" ? value : null;
  if (knob.kind === "choice") return knob.options.some((option) => option.value === value) ? value : null;
  if (typeof value !== "number" || !Number.isFinite(value)) return null;
  if (value < knob.minimum - 1e-6 || value > knob.maximum + 1e-6) return null;
  const steps = Math.round((value - knob.minimum) / knob.step);
  return Math.min(knob.maximum, Math.round(1e4 * (knob.minimum + steps * knob.step)) / 1e4);
}

/**
 * Moves one control. The state comes back unchanged, with what stands against it, where the device does not let it: hold, no power, out
 * of range. Throws RangeError for a control that the device does not have.
 */
export function operate<State>(
  machine: Machine<State>,
  state: State,
  id: string,
  value: Setting,
): { state: State; says: DeviceMessage | null } {
  const knob = machine.knobs.find((each) => each.id === id);
  if (!knob) throw new RangeError(`${machine.name} has no ${id}.`);
  const stopped = machine.stops(state);
  if (stopped && !stopped.but.includes(id)) return { state, says: stopped.says };
  const refusal = knob.refuses?.(state) ?? null;
  if (refusal !== null) return { state, says: refusal };
  const fits = fitting(knob, value);
  if (fits === null)
    return {
      state,
      says:
        knob.kind === "turn"
          ? {
              code: "device.range",
              control: knob.name,
              minimum: knob.minimum,
              maximum: knob.maximum,
              unit: knob.unit,
            }
          : { code: "device.unknownValue", control: knob.name },
    };
  return { state: knob.does(state, fits), says: null };
}

/** Battery after some seconds, percent of full. */
export const drained = (percent: number, seconds: number, hours: number): number =>
  Math.max(0, percent - (100 * seconds) / (3600 * hours));
