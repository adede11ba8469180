/** @jest-environment jsdom */
import { act, cleanup, render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { I18nProvider } from "react-aria-components";
import { ShootStoreProvider } from "@/data/ShootProvider";
import type { ShootStore } from "@/data/shootStore";
import { DEMO_LOG } from "@/demo/log";
import { SLACK_WATER } from "@/demo/slackWater";
import { bundleOf, testStore } from "@/fixtures/testStore";
import { stored } from "@/fixtures/testShoot";
import { Toasts } from "@/ui/toasts";
import { ReportScreen } from "./ReportScreen";
import { RollScreen } from "./RollScreen";

// The live input needs a browser's audio; its events have tests of their own.
jest.mock("./HeardMarks", () => ({ HeardMarks: () => null }));
// No row has a height here, so that a list of what is in sight would be empty.
jest.mock("@tanstack/react-virtual", () => ({
  useVirtualizer: ({ count }: { count: number }) => ({
    getTotalSize: () => count,
    getVirtualItems: () => Array.from({ length: count }, (_, index) => ({ index, key: index, start: index })),
    scrollToIndex: () => undefined,
  }),
}));
// What a browser has and the document of these tests lacks.
for (const side of ["offsetHeight", "offsetWidth"])
  Object.defineProperty(HTMLElement.prototype, side, { configurable: true, get: () => 900 });

const GATE = "51ac0000-0000-4000-8000-000000000022";
const SPEECH = "51ac0000-0000-4000-8000-000000000023";
const WADE = "51ac0000-0000-4000-8000-000000000024";

let store: ShootStore;

function show(scene: string, Screen = RollScreen): void {
  window.history.pushState(null, "", `/shoots/${store.snapshot().bundle.shoot.id}/roll?scene=${scene}`);
  render(
    <I18nProvider locale="en-GB">
      <ShootStoreProvider store={store}>
        <Screen />
        <Toasts />
      </ShootStoreProvider>
    </I18nProvider>,
  );
}

beforeEach(() => {
  store = testStore({
    ...bundleOf(SLACK_WATER),
    rolls: DEMO_LOG.rolls.map(({ id, body }) => stored<"roll">(id, body)),
    marks: DEMO_LOG.marks.map(({ id, body }) => stored<"mark">(id, body)),
    rollSetups: [stored<"rollSetup">(DEMO_LOG.setup.id, DEMO_LOG.setup.body)],
  });
});
afterEach(cleanup);

const rolls = () => store.snapshot().bundle.rolls;
const marks = () => store.snapshot().bundle.marks;
const running = () => rolls().find(({ body }) => body.lengthS === null)!;
const press = (name: string | RegExp) => userEvent.click(screen.getByRole("button", { name }));
/** The newest toast stands first; those of tests before may still show. */
const undo = () => userEvent.click(screen.getAllByRole("button", { name: "Undo" })[0]!);
const verdict = () => screen.getAllByRole("status")[0]!.textContent;
const takesList = () => screen.getByRole("list", { name: "Takes" });
const takeButton = (name: RegExp) => within(takesList()).getByRole("button", { name });
const field = (name: string) => screen.getByRole("textbox", { name });
/** Something behind the menu of the chosen take. */
async function more(item: RegExp): Promise<void> {
  await press(/^More with/);
  await userEvent.click(await screen.findByRole("menuitem", { name: item }));
}

describe("at the take", () => {
  test("what comes next is filled in: slate, number, file, tracks", () => {
    show(GATE);
    expect(verdict()).toBe("Next: slate 2, take 8");
    expect(screen.getByText(/^D1_S2_T08 · Ines, engineer$/)).toBeTruthy();
    expect((field("Slate or shot") as HTMLInputElement).value).toBe("2");
  });

  test("start makes a take, stop gives it a length, and the next one is one more", async () => {
    show(GATE);
    const before = rolls().length;
    await press("Start take");
    expect(rolls()).toHaveLength(before + 1);
    expect(running().body).toMatchObject({ slate: "2", take: 8, day: 1, type: "take", rating: "none" });
    expect(running().body.tracks.map(({ name }) => name)).toEqual(["Ines, engineer"]);
    expect(verdict()).toBe("Rolling: slate 2, take 8");
    expect(screen.getByRole("timer", { name: "Take time" }).textContent).toMatch(/^0:0\d$/);
    const { id } = running();
    await press("Stop");
    expect(rolls().find((each) => each.id === id)!.body.lengthS).toBeGreaterThanOrEqual(0);
    expect(verdict()).toBe("Next: slate 2, take 9");
  });

  test("another slate begins at one; a wild line counts by itself and the next is a take again", async () => {
    show(GATE);
    await userEvent.clear(field("Slate or shot"));
    await userEvent.type(field("Slate or shot"), "2B");
    expect(verdict()).toBe("Next: slate 2B, take 1");
    await press(/Type$/);
    await userEvent.click(await screen.findByRole("option", { name: "Wild line" }));
    expect(verdict()).toBe("Next: slate 2B, wild line 1");
    await press("Start take");
    expect(running().body).toMatchObject({ type: "wild", slate: "2B" });
    await press("Stop");
    expect(verdict()).toBe("Next: slate 2B, take 1");
  });

  test("a press marks this moment; a mark is removed and comes back", async () => {
    show(GATE);
    await press("Start take");
    const pad = screen.getByRole("group", { name: "Mark now" });
    expect(within(pad).getAllByRole("button")).toHaveLength(10);
    const before = marks().length;
    await userEvent.click(within(pad).getByRole("button", { name: /Radio hit/ }));
    const made = marks().filter(({ body }) => body.rollId === running().id);
    expect(marks()).toHaveLength(before + 1);
    expect(made[0]!.body).toMatchObject({ kind: "radioHit", trackId: null, source: "pressed", isProposal: false });
    expect(made[0]!.body.atS).toBeLessThan(5);
    await press(/^Remove Radio hit/);
    expect(marks()).toHaveLength(before);
    await undo();
    expect(marks()).toHaveLength(before + 1);
  });

  test("number keys mark, r starts and stops, and digits in a field are digits", async () => {
    show(GATE);
    await userEvent.keyboard("r");
    const first = within(screen.getByRole("group", { name: "Mark now" })).getAllByRole("button")[0]!.textContent;
    await userEvent.keyboard("1");
    await userEvent.keyboard("1");
    const own = () => marks().filter(({ body }) => body.rollId === running().id);
    expect(own()).toHaveLength(2);
    expect(first).toContain("Wind");
    expect(own().every(({ body }) => body.kind === "wind")).toBe(true);
    await userEvent.type(field("Note at this moment"), "1 winch");
    expect(own()).toHaveLength(2);
    await press(/Add note/);
    expect(own().at(-1)!.body).toMatchObject({ kind: "note", note: "1 winch" });
    const { id } = running();
    act(() => (document.activeElement as HTMLElement).blur());
    await userEvent.keyboard("r");
    expect(rolls().find((each) => each.id === id)!.body.lengthS).not.toBeNull();
  });

  test("with several tracks a mark may be on one of them", async () => {
    show(SPEECH);
    await press("Start take");
    const tracks = running().body.tracks;
    expect(tracks.length).toBeGreaterThan(1);
    await userEvent.click(screen.getByRole("radio", { name: tracks[1]!.name }));
    await userEvent.click(within(screen.getByRole("group", { name: "Mark now" })).getAllByRole("button")[0]!);
    const [mark] = marks().filter(({ body }) => body.rollId === running().id);
    expect(mark!.body.trackId).toBe(tracks[1]!.id);
  });

  test("the last take is rated in one press", async () => {
    show(GATE);
    const rating = screen.getAllByRole("radiogroup", { name: "Rating of Slate 2, take 7" })[0]!;
    await userEvent.click(within(rating).getByRole("radio", { name: "Hold" }));
    expect(rolls().find(({ body }) => body.slate === "2" && body.take === 7)!.body.rating).toBe("hold");
  });

  test("starting while one runs stops that one", async () => {
    show(GATE);
    await press("Start take");
    const { id } = running();
    await userEvent.keyboard("r");
    await userEvent.keyboard("r");
    expect(rolls().find((each) => each.id === id)!.body.lengthS).not.toBeNull();
    expect(running().body.take).toBe(9);
  });

  test("what is owed is told before the scene is left", () => {
    show(GATE);
    const owed = screen.getByRole("region", { name: "Owed" });
    expect(within(owed).getByText("Room tone of Tide quay, 30 s with everybody still.")).toBeTruthy();
    expect(within(owed).getByText(/^Slate 2 take 5 has no clap\./)).toBeTruthy();
  });
});

describe("the log", () => {
  test("has the takes of the day, the newest first, found by words and by rating", async () => {
    show(GATE);
    const names = () =>
      within(takesList())
        .queryAllByRole("button")
        .map(({ textContent }) => textContent);
    expect(names()).toHaveLength(15);
    expect(names()[0]).toContain("Slate 2, take 7");
    await userEvent.type(field("Find in the log"), "rustle");
    expect(names()).toHaveLength(2);
    await userEvent.clear(field("Find in the log"));
    await userEvent.click(
      within(screen.getByRole("radiogroup", { name: "Takes shown" })).getByRole("radio", { name: "No good" }),
    );
    expect(names()).toHaveLength(3);
  });

  test("another number moves those after it along, and a note is kept", async () => {
    show(GATE);
    await userEvent.click(takeButton(/Slate 2, take 5/));
    await press("Slate, number, type and scene");
    const number = screen.getByRole("textbox", { name: "Take" });
    await userEvent.clear(number);
    await userEvent.type(number, "8");
    const gate = () =>
      rolls()
        .filter(({ body }) => body.slate === "2" && body.type === "take")
        .map(({ body }) => body.take);
    expect(gate()).toEqual([1, 2, 3, 4, 8, 9, 10]);
    await userEvent.type(screen.getByRole("textbox", { name: "Note" }), "!");
    expect(rolls().find(({ body }) => body.take === 8)!.body.note).toBe("Shouts over the winch!");
  });

  test("a forgotten take is put in before another, and asks how long it ran", async () => {
    show(GATE);
    await userEvent.click(takeButton(/Slate 2, take 3/));
    await more(/Insert a forgotten take/);
    const inserted = rolls().find(({ body }) => body.lengthS === 0)!;
    expect(inserted.body).toMatchObject({ slate: "2", take: 3, fileName: "" });
    expect(
      rolls()
        .filter(({ body }) => body.slate === "2")
        .map(({ body }) => body.take)
        .toSorted((a, b) => a - b),
    ).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
    const length = await screen.findByRole("textbox", { name: "Length" });
    await userEvent.clear(length);
    await userEvent.type(length, "4");
    expect(rolls().find(({ id }) => id === inserted.id)!.body.lengthS).toBe(4);
  });

  test("a take is split at a mark, and the marks go with their part", async () => {
    show(GATE);
    await userEvent.click(takeButton(/Slate 2, take 2/));
    const whole = rolls().find(({ body }) => body.slate === "2" && body.take === 2)!;
    await more(/^Split at 0:14/);
    const [first, second] = [
      rolls().find(({ id }) => id === whole.id)!,
      rolls().find(({ body }) => body.slate === "2" && body.take === 8)!,
    ];
    expect([first.body.lengthS, second.body.lengthS]).toEqual([14, 10.2]);
    expect(Date.parse(second.body.startedAt) - Date.parse(first.body.startedAt)).toBe(14_000);
    const of = (id: string) =>
      marks()
        .filter(({ body }) => body.rollId === id)
        .map(({ body }) => [body.kind, body.atS]);
    expect(of(first.id)).toEqual([
      ["clap", 1.2],
      ["wind", 5],
    ]);
    expect(of(second.id)).toEqual([["wind", 0]]);
  });

  test("two takes are joined into one that lasts to the end of both, and parted again by undo", async () => {
    show(WADE);
    await userEvent.click(takeButton(/Slate 3, take 1/));
    const before = rolls().map(({ id, body }) => [id, body.lengthS]);
    const others = marks().length;
    await more(/^Join with Slate 3, take 2/);
    const one = rolls().find(({ body }) => body.slate === "3")!;
    expect(rolls().filter(({ body }) => body.slate === "3")).toHaveLength(1);
    expect(one.body.lengthS).toBe(7 * 60 + 23.8);
    expect(one.body.note).toBe("Sensitivity down 9 dB");
    expect(marks()).toHaveLength(others);
    await undo();
    expect(rolls().map(({ id, body }) => [id, body.lengthS])).toEqual(before);
    expect(marks().filter(({ body }) => body.rollId === one.id)).toHaveLength(2);
  });

  test("a deleted take takes its marks along and brings them back", async () => {
    show(GATE);
    await userEvent.click(takeButton(/Slate 2, take 2/));
    const [takes, all] = [rolls().length, marks().length];
    await more(/^Delete take/);
    expect([rolls().length, marks().length]).toEqual([takes - 1, all - 3]);
    await undo();
    expect([rolls().length, marks().length]).toEqual([takes, all]);
  });

  test("two that logged one take are told so, and joined", async () => {
    const [, , , , , , , , first] = DEMO_LOG.rolls;
    const twin = {
      ...first!.body,
      device: "second",
      startedAt: new Date(Date.parse(first!.body.startedAt) + 2000).toISOString(),
    };
    const id = store.create("roll", { ...twin, take: 9 });
    show(GATE);
    await userEvent.click(takeButton(/Slate 2, take 9/));
    expect(screen.getByText(/^Logged twice: Slate 2, take 1 ran at the same time/)).toBeTruthy();
    await press("Join the two");
    expect(rolls().some((each) => each.id === id)).toBe(false);
  });

  test("what the recorder shows tells whether it is recording", async () => {
    show(GATE);
    await press("Start take");
    const shows = screen.getByRole("textbox", { name: "Is it recording? The recorder shows" });
    await userEvent.type(shows, "0:00:00");
    await press("Check");
    expect(running().body.counter).toMatchObject({ showsS: 0 });
    expect(screen.getByText("It is recording: the counter agrees with the log.")).toBeTruthy();
  });
});

describe("names and marks", () => {
  test("a scheme is kept only when it tells two takes apart; own marks come to the pad", async () => {
    show(GATE);
    await userEvent.click(
      within(screen.getByRole("radiogroup", { name: "Roll views" })).getByRole("radio", { name: "Names and marks" }),
    );
    const scheme = await screen.findByRole("textbox", { name: /Naming scheme/ });
    const setup = () => store.snapshot().bundle.rollSetups[0]!.body;
    await userEvent.clear(scheme);
    await userEvent.type(scheme, "{{slate}");
    expect(screen.getByText("Two takes would get the same name: add {take} or {counter}.")).toBeTruthy();
    await userEvent.type(scheme, "_{{take:3}");
    expect(setup().scheme).toBe("{slate}_{take:3}");
    expect(screen.getByText("2_008.wav")).toBeTruthy();
    await userEvent.type(screen.getByRole("textbox", { name: "New mark" }), "Generator");
    await press("Add mark");
    expect(setup().ownKinds).toEqual(["Winch", "Generator"]);
    await press("Remove the mark Winch");
    expect(setup().ownKinds).toEqual(["Generator"]);
  });
});

describe("the sound report", () => {
  test("shows a day or all days, with totals and what is owed", async () => {
    show(GATE, ReportScreen);
    expect(screen.getByText("Slack Water: 14 takes, 5 good, 11 min 38 s rolled, 0.1 GB.")).toBeTruthy();
    expect(screen.getAllByRole("row")).toHaveLength(16);
    const row = screen.getByRole("row", { name: /Slate 1, take 3/ });
    expect(row.textContent).toContain("miller-granary.wav");
    expect(row.textContent).toContain("09:39:03:00");
    expect(row.textContent).toContain("0:08 Best bit: how the wheel sounds");
    await userEvent.click(screen.getByRole("radio", { name: "All days" }));
    expect(screen.getAllByRole("row")).toHaveLength(DEMO_LOG.rolls.length + 1);
    await userEvent.click(screen.getByRole("radio", { name: "Day 2" }));
    await waitFor(() => expect(screen.getAllByRole("row")).toHaveLength(5));
  });

  test("a day without takes says so", async () => {
    store = testStore(bundleOf(SLACK_WATER));
    show(GATE, ReportScreen);
    expect(screen.getByText("Nothing logged yet.")).toBeTruthy();
  });
});
