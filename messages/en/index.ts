import { media } from "./media";
import { power } from "./power";

/** Every sentence in English, by its code. */
export const en = { ...media, ...power };
