import { chain } from "./chain";
import { check } from "./check";
import { connect, settings } from "./connect";
import { reasons } from "./dress";
import { media } from "./media";
import { board, planning } from "./planning";
import { power } from "./power";
import { proof } from "./proof";

/** Every sentence in English, by its code. */
export const en = {
  ...board,
  ...chain,
  ...check,
  ...connect,
  ...media,
  ...planning,
  ...power,
  ...proof,
  ...reasons,
  ...settings,
};
