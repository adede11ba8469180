import type { Page } from "@playwright/test";

/** What the page has sent to the loudspeaker: the sound, and the filters made for it. */
export interface Played {
  seconds: number;
  samples: number[];
  filters: { type: string; hz: number }[];
}

/** Has the page tell what it plays from now on; to be called before it plays anything. */
export async function listenIn(page: Page): Promise<() => Promise<Played | null>> {
  await page.evaluate(() => {
    const filters: { type: string; hz: number }[] = [];
    const Filter = window.BiquadFilterNode;
    window.BiquadFilterNode = class extends Filter {
      constructor(context: BaseAudioContext, options?: BiquadFilterOptions) {
        super(context, options);
        filters.push({ type: this.type, hz: this.frequency.value });
      }
    };
    const { prototype } = AudioBufferSourceNode;
    const start = Reflect.get<AudioBufferSourceNode, "start">(prototype, "start");
    prototype.start = function (this: AudioBufferSourceNode) {
      const buffer = this.buffer!;
      Object.assign(window, {
        played: {
          seconds: buffer.duration,
          samples: [...buffer.getChannelData(0).subarray(0, 48000)],
          filters: filters.splice(0),
        },
      });
      start.call(this);
    };
  });
  return () =>
    page.evaluate(() => {
      const told = (window as unknown as { played?: Played }).played ?? null;
      Object.assign(window, { played: null });
      return told;
    });
}
