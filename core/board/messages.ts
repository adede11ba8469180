import type { ChainMessage } from "../chain";
import type { CheckMessage } from "../check";
import type { ConnectMessage } from "../connect";
import type { Message } from "../message";
import type { CarryMessage } from "../planning";
import type { ProofMessage } from "../proof";
import type { StepId } from "../rehearsal";

/** What threatens a day, in the order of the stations. */
export type BoardCatalogue = {
  "board.notInScene": object;
  "board.saidNo": object;
  "board.placeGone": object;
  "board.settingsChanged": object;
  "board.noPlaceWorks": object;
  "board.notAsked": object;
  "board.wind": object;
  "board.rustle": object;
  "board.littleOverNoise": { snrDb: number };
  "board.beyondConsent": object;
  "board.changed": { changes: readonly CarryMessage[] };
  "board.notScouted": object;
  /** `site`: the name of what looks best. */
  "board.noPlaceChosen": { site: string };
  "board.nothingChecked": object;
  "board.deliveryDiffers": object;
  "board.frequencyConflict": object;
  "board.noFrequency": object;
  "board.notInKit": { names: readonly string[] };
  "board.changedSincePaired": { steps: readonly StepId[] };
};
export type BoardMessage = Message<BoardCatalogue>;

/** What is next in a shoot, as the home page says it. */
export type HomeCatalogue = {
  "home.addPlace": object;
  "home.addTalent": object;
  "home.choose": { count: number };
  "home.ask": { count: number };
  "home.fix": { count: number };
  "home.verify": { count: number };
};
export type HomeMessage = Message<HomeCatalogue>;
/** What a risk says: its own, or what the subject that found it says. */
export type RiskMessage = BoardMessage | ChainMessage | CheckMessage | ConnectMessage | ProofMessage;
