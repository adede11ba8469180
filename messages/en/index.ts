import { audio } from "./audio";
import { chain } from "./chain";
import { check } from "./check";
import { clean } from "./clean";
import { connect, settings } from "./connect";
import { deliver } from "./deliver";
import { dress } from "./dress";
import { reasons } from "./reasons";
import { media } from "./media";
import { board, home, planning } from "./planning";
import { exposure, meter, noise, room, schedule } from "./place";
import { pickup } from "./pickup";
import { power } from "./power";
import { proof } from "./proof";
import { fields, records } from "./records";
import { rehearsal } from "./rehearsal";
import { roll } from "./roll";
import { sync } from "./sync";
import { verdicts } from "./verdicts";
import { wireless } from "./wireless";

/** Every sentence in English, by its code. */
export const en = {
  ...audio,
  ...board,
  ...home,
  ...chain,
  ...check,
  ...clean,
  ...connect,
  ...deliver,
  ...dress,
  ...exposure,
  ...fields,
  ...media,
  ...meter,
  ...noise,
  ...pickup,
  ...planning,
  ...power,
  ...proof,
  ...reasons,
  ...records,
  ...rehearsal,
  ...roll,
  ...room,
  ...schedule,
  ...settings,
  ...sync,
  ...verdicts,
  ...wireless,
};
