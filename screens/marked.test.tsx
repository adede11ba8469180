/** @jest-environment jsdom */
import { readdirSync } from "node:fs";
import { join } from "node:path";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { act, cleanup, render } from "@testing-library/react";
import type { ComponentType, ReactElement, ReactNode } from "react";
import { SLACK_WATER } from "../demo/slackWater";
import { bundleOf, testStore } from "../fixtures/testStore";

const [OPEN, CLOSE] = ["⟦", "⟧"];

/** The same words with marks around each, whoever asks for them. */
function marked(value: unknown): unknown {
  if (typeof value === "string") return `${OPEN}${value}${CLOSE}`;
  if (typeof value === "function")
    return (...facts: unknown[]) => marked((value as (...facts: unknown[]) => unknown)(...facts));
  if (Array.isArray(value)) return value.map(marked);
  if (typeof value === "object" && value !== null)
    return Object.fromEntries(Object.entries(value).map(([code, words]) => [code, marked(words)]));
  return value;
}

jest.mock("react-chartjs-2", () => ({ Chart: () => null, Line: () => null, Bar: () => null, Scatter: () => null }));
jest.mock("@react-pdf/renderer", () => {
  const part = ({ children }: { children?: ReactNode }) => <p>{children}</p>;
  const whole = ({ children }: { children?: ReactNode }) => <div>{children}</div>;
  return {
    ...{ Document: whole, Page: whole, View: whole, Text: part, Svg: () => null },
    ...{ G: () => null, Path: () => null, Rect: () => null },
    Font: { register: () => undefined, registerHyphenationCallback: () => undefined },
    StyleSheet: { create: (styles: unknown) => styles },
    renderToBuffer: (page: ReactElement) => Promise.resolve(page),
  };
});
// A desk, not a phone: there is no screen here to ask.
const WORDS = join(__dirname, "..", "messages", "en");
for (const file of readdirSync(WORDS))
  if (!["index.ts", "units.ts", "words.ts"].includes(file))
    jest.doMock(join(WORDS, file), () => marked(jest.requireActual(join(WORDS, file))));

const bundle = bundleOf(SLACK_WATER);

/** A screen of the made-up shoot as it is drawn after a moment. */
async function drawn(at: string, load: () => Promise<ComponentType>): Promise<HTMLElement> {
  const { ShootStoreProvider } = await import("../data/ShootProvider");
  window.history.pushState(null, "", `/shoots/${bundle.shoot.id}/${at}`);
  const Screen = await load();
  const { container } = render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { enabled: false } } })}>
      <ShootStoreProvider store={testStore(bundle)}>
        <Screen />
      </ShootStoreProvider>
    </QueryClientProvider>,
  );
  const isWaiting = () => /Opening…|One moment…|Planning|Laying out|Trying every|Weighing/.test(container.textContent);
  for (let turns = 0; turns < 40 && (turns < 3 || isWaiting()); turns += 1)
    await act(() => new Promise((resolve) => setTimeout(resolve, 100)));
  return container;
}

const PARTS = "p, li, dt, dd, td, h1, h2, h3, strong";

/** What somebody reads as a sentence: five words and more, with an end. */
const isSentence = (text: string): boolean =>
  text.split(/\s+/).filter((word) => /^[a-z’']{2,}/i.test(word)).length >= 5 && /[.!]$/.test(text);

/** Sentences that come from nowhere in messages. */
function unmarked(container: HTMLElement): string[] {
  const parts = [...container.querySelectorAll<HTMLElement>(PARTS)].filter((part) => !part.querySelector(PARTS));
  const texts = parts.map(({ textContent }) => textContent.trim());
  return [...new Set(texts)].filter((text) => isSentence(text) && !text.includes(OPEN));
}

/** What a control or a picture is for may stand beside it. */
const HINTS: Record<string, string[]> = {
  scout: ["Length runs west to east, width south to north; an L lacks its north-east corner."],
  pickup: ["Drag, or arrow keys: 5 cm a press. Rings turn. Dotted: critical distance. The small wedge is the breath."],
  link: [
    "MHz. Drag a name, or arrow keys: one step, with Shift ten. Zoom: pinch, or Ctrl and wheel. Grey: taken by the scan. Below: allowed.",
    "Camera hops, ears, a desk's own transmitter. Talent comes from the scenes.",
  ],
  level: [
    "Figures are typical of their kind until you put in those of your own data sheets. Choose another input or cable at Link.",
  ],
};

const SCREENS: [at: string, least: number, load: () => Promise<ComponentType>][] = [
  ["", 5, async () => (await import("./board/BoardScreen")).BoardScreen],
  ["day", 1, async () => (await import("./day/DayScreen")).DayScreen],
  ["scout", 15, async () => (await import("./scout/ScoutScreen")).ScoutScreen],
  ["site", 5, async () => (await import("./scout/SiteSheet")).SiteSheet],
  ["pickup", 8, async () => (await import("./pickup/PickupScreen")).PickupScreen],
  ["dress", 15, async () => (await import("./dress/DressScreen")).DressScreen],
  ["card", 20, async () => (await import("./dress/CardScreen")).CardScreen],
  ["link", 4, async () => (await import("./link/LinkScreen")).LinkScreen],
  ["link?view=cables", 4, async () => (await import("./link/LinkScreen")).LinkScreen],
  ["link?view=pair", 4, async () => (await import("./link/LinkScreen")).LinkScreen],
  ["link?view=trouble", 4, async () => (await import("./link/LinkScreen")).LinkScreen],
  ["kit", 4, async () => (await import("./kit/KitScreen")).KitScreen],
  ["frequencies", 1, async () => (await import("./link/FrequencyCards")).FrequencyCards],
  ["level", 15, async () => (await import("./level/LevelScreen")).LevelScreen],
  ["level?view=day", 6, async () => (await import("./level/LevelScreen")).LevelScreen],
  ["settings", 12, async () => (await import("./level/SettingsCardsScreen")).SettingsCardsScreen],
  ["check", 0, async () => (await import("./check/CheckScreen")).CheckScreen],
];

describe("a marked copy of the messages", () => {
  afterEach(cleanup);

  // Each takes a second; the others are drawn with --long.
  const OFTEN = ["", "dress", "link", "level", "roll", "check"];
  const drawnNow = process.env["HYPOPHON_LONG"] ? SCREENS : SCREENS.filter(([at]) => OFTEN.includes(at));
  test.each(drawnNow)("marks what is said at /%s", async (at, least, load) => {
    const container = await drawn(at, load);
    expect(unmarked(container)).toEqual(HINTS[at] ?? []);
    expect(container.textContent.split(OPEN).length - 1).toBeGreaterThanOrEqual(least);
  });

  test("marks steps and cautions of every printed card", async () => {
    const { cardPdf } = await import("./dress/cardPdf");
    for (const { id } of bundle.wearers) {
      // The page itself, instead of its bytes.
      const page = (await cardPdf(bundle, id, null)) as unknown as ReactElement | null;
      const { container } = render(page);
      expect(unmarked(container)).toEqual([]);
      expect(container.textContent.split(OPEN).length - 1).toBeGreaterThan(8);
      cleanup();
    }
  });

  test("marks every finding and message of the shell", async () => {
    const { CALCULATORS } = await import("../cli/calculators");
    const { withWords } = await import("../cli/calc");
    for (const [name, calculator] of Object.entries(CALCULATORS)) {
      const { result, finding } = await calculator.run(calculator.example);
      if (finding) expect([name, finding]).toEqual([name, expect.stringContaining(OPEN)]);
      for (const says of JSON.stringify(withWords(result)).matchAll(/"(?:says|asks|cure)":"([^"]*)"/g))
        if (isSentence(says[1]!)) expect([name, says[1]]).toEqual([name, expect.stringContaining(OPEN)]);
    }
  });
});
