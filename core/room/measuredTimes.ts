import { ROOM_OCTAVES_HZ, type RoomOctaves } from "./materials";
import type { MeasuredEcho } from "./measuredEcho";

/** Times by octave 125…4k, s; another's (a forecast's) where an octave could not be measured. */
export function measuredTimes({ decays }: MeasuredEcho, otherwise: RoomOctaves): RoomOctaves {
  const time = (band: number) => decays.find(({ hz }) => hz === ROOM_OCTAVES_HZ[band])?.timeS ?? otherwise[band]!;
  return [time(0), time(1), time(2), time(3), time(4), time(5)];
}
