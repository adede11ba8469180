import { audio } from "./audio";
import { chain } from "./chain";
import { check } from "./check";
import { connect, settings } from "./connect";
import { dress, reasons } from "./dress";
import { media } from "./media";
import { board, planning } from "./planning";
import { exposure, meter, noise, pickup, room, schedule } from "./place";
import { power } from "./power";
import { proof } from "./proof";
import { rehearsal } from "./rehearsal";

/** Every sentence in English, by its code. */
export const en = {
  ...audio,
  ...board,
  ...chain,
  ...check,
  ...connect,
  ...dress,
  ...exposure,
  ...media,
  ...meter,
  ...noise,
  ...pickup,
  ...planning,
  ...power,
  ...proof,
  ...reasons,
  ...rehearsal,
  ...room,
  ...schedule,
  ...settings,
};
