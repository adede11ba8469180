/** @jest-environment jsdom */
import { cleanup, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { I18nProvider } from "react-aria-components";
import { ShootStoreProvider } from "@/data/ShootProvider";
import type { ShootStore } from "@/data/shootStore";
import { DEMO_LOG } from "@/demo/log";
import { SLACK_WATER } from "@/demo/slackWater";
import { bundleOf, testStore } from "@/fixtures/testStore";
import { stored } from "@/fixtures/testShoot";
import { CardLogView } from "./CardLogView";
import type { Card, CardFile } from "./useCard";

let store: ShootStore;
beforeEach(() => {
  store = testStore({
    ...bundleOf(SLACK_WATER),
    rolls: DEMO_LOG.rolls.map(({ id, body }) => stored<"roll">(id, body)),
    marks: DEMO_LOG.marks.map(({ id, body }) => stored<"mark">(id, body)),
  });
});
afterEach(cleanup);

let id = 0;
function file(name: string, at: string | null, durationS = 24): CardFile {
  const [hours, minutes] = (at ?? "0:0").split(":").map(Number);
  const startedAtS = at === null ? null : (hours! * 60 + minutes!) * 60;
  return {
    id: (id += 1),
    path: `CARD/${name}`,
    file: new File(["sound"], name, { lastModified: Date.parse("2030-01-01") }),
    state: {
      phase: "measured",
      recording: { measurement: { format: { durationS, startedAtS, sampleRateHz: 48_000 } } },
    },
  } as unknown as CardFile;
}

function show(files: CardFile[]): void {
  const card: Card = { files, isRunning: false, skipped: 0 };
  render(
    <I18nProvider locale="en-GB">
      <ShootStoreProvider store={store}>
        <CardLogView card={card} />
      </ShootStoreProvider>
    </I18nProvider>,
  );
}
const rolls = () => store.snapshot().bundle.rolls;

test("what is sure is added to the log in one press, and then there is nothing more to add", async () => {
  show([file("a.wav", "09:44"), file("b.wav", "09:52"), file("c.wav", "10:05")]);
  expect(screen.getByRole("status").textContent).toMatch(/^3 of \d+ takes matched with 3 files\.$/);
  expect(screen.getByText("The recorder's clock is 47 s ahead.")).toBeTruthy();
  await userEvent.click(screen.getByRole("button", { name: "Add 3 to the log" }));
  const found = rolls().filter(({ body }) => ["a.wav", "b.wav", "c.wav"].includes(body.files[0]?.name ?? ""));
  expect(found.map(({ body }) => [body.take, body.files])).toEqual([
    [4, [{ name: "a.wav", lengthS: 24, hash: null, isSure: true }]],
    [5, [{ name: "b.wav", lengthS: 24, hash: null, isSure: true }]],
    [6, [{ name: "c.wav", lengthS: 24, hash: null, isSure: true }]],
  ]);
  expect(screen.queryByRole("button", { name: /to the log$/ })).toBeNull();
});

test("what is doubtful is asked, and counts once it is confirmed", async () => {
  show([file("a.wav", null, 24.2), file("b.wav", null, 24.1)]);
  const status = () => screen.getByRole("status").textContent;
  expect(status()).toMatch(/to confirm\.$/);
  const list = screen.getByRole("list", { name: "Takes and their files" });
  const confirm = within(list).getAllByRole("button", { name: "Confirm" });
  expect(within(list).getAllByRole("button", { name: "Hear a second" })).toHaveLength(confirm.length);
  await userEvent.click(confirm[0]!);
  expect(screen.getByRole("button", { name: "Add 1 to the log" })).toBeTruthy();
});

test("a take without a file, a false start and a file that nobody logged are named", async () => {
  show([
    file("a.wav", "09:44"),
    file("b.wav", "09:52"),
    file("c.wav", "10:05"),
    file("short.wav", "10:10", 3),
    file("long.wav", "12:00", 400),
  ]);
  await userEvent.click(screen.getByRole("button", { name: "Takes and their files" }));
  const items = screen.getAllByRole("listitem").map(({ textContent }) => textContent);
  expect(items).toContain("short.wavFalse start");
  expect(items).toContain("long.wavNot in the log");
  expect(items).toContain("Slate 1, take 1No file on this card");
});

test("a card that is still measured is matched by what its files say at their head", () => {
  const unmeasured = (name: string, at: string): CardFile => {
    const { state, ...item } = file(name, at);
    if (state.phase !== "measured") throw new Error("no measured file was made");
    const { durationS, startedAtS = null, sampleRateHz } = state.recording.measurement.format;
    return { ...item, head: { durationS, startedAtS, sampleRateHz }, state: { phase: "waiting" } };
  };
  const card = [unmeasured("a.wav", "09:44"), unmeasured("b.wav", "09:52"), unmeasured("c.wav", "10:05")];
  show(card);
  expect(screen.getByRole("status").textContent).toMatch(/^3 of \d+ takes matched with 3 files\.$/);
  cleanup();
  // One that turns out to be damaged is none of the day.
  show([...card.slice(0, 2), { ...card[2]!, state: { phase: "refused", message: "damaged" } }]);
  expect(screen.getByRole("status").textContent).toMatch(/with 2 files/);
});

test("before the files are read, and without a log, nothing is said", () => {
  show([file("a.wav", "09:44"), { ...file("b.wav", "09:52"), state: { phase: "waiting" } }]);
  expect(screen.queryByRole("status")).toBeNull();
  cleanup();
  store = testStore(bundleOf(SLACK_WATER));
  show([file("a.wav", "09:44")]);
  expect(screen.queryByRole("status")).toBeNull();
});
