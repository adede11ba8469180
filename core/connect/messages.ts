import type { PlacedSetting } from "../devices";
import type { Message } from "../message";

interface Both {
  source: string;
  input: string;
}

/** What is wrong on a way, or could be; and how a way is said as a whole. Levels in dB. */
export type ConnectCatalogue = {
  /** The same signal on both contacts is taken as a difference. */
  "connect.cancelled": object;
  "connect.otherHeadsetWiring": { input: string };
  "connect.nothingOnMicContact": { input: string };
  "connect.headsetContactUnmet": { input: string };
  "connect.balancedIntoStereo": object;
  "connect.onlyLeft": object;
  "connect.unreadable": Both;
  "connect.powerHeldBack": Both & { hasOwnMic: boolean };
  "connect.noPlugInPower": Both;
  "connect.noPhantom": { source: string };
  "connect.phantomHarms": Both;
  "connect.notNoticed": Both;
  /** `cure`: what makes less arrive; `padDb` where it is a pad of the next size that is sold. */
  "connect.tooLoud": { device: string; overDb: number; cure: "padBefore" | "lineOrPad"; padDb: number | null };
  "connect.tooWeak": { input: string; byDb: number };
  "connect.otherPackWiring": Both;
  "connect.speakerPower": { input: string };
  "connect.askAnalogue": { source: string };
  "connect.doesNotPass": { source: string; cable: string };
  "connect.wrongCable": { cable: string; because: ConnectMessage | null };
  "connect.noInput": object;
  "connect.noWay": Both;
  "connect.works": { parts: readonly string[]; settings: readonly PlacedSetting[] };
  "connect.fails": {
    parts: readonly string[];
    canDamage: boolean;
    because: ConnectMessage | null;
  };
};
export type ConnectMessage = Message<ConnectCatalogue>;
