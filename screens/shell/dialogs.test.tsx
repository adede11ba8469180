/** @jest-environment jsdom */
import { act, cleanup, render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { I18nProvider } from "react-aria-components";
import { rigsOfScene, scenesInOrder } from "@/core/records";
import { ShootStoreProvider } from "@/data/ShootProvider";
import type { ShootStore } from "@/data/shootStore";
import { SLACK_WATER } from "@/demo/slackWater";
import { bundleOf, testStore } from "@/fixtures/testStore";
import { SceneDialog } from "./SceneDialog";
import { ShootDialog } from "./ShootDialog";

// What a browser has and the document of these tests lacks.
window.scrollTo = () => undefined;

let store: ShootStore;
const onClose = jest.fn();
const bundle = () => store.snapshot().bundle;
const [first] = scenesInOrder(bundleOf(SLACK_WATER).scenes);

beforeEach(() => {
  store = testStore(bundleOf(SLACK_WATER));
  onClose.mockReset();
  window.history.pushState(null, "", `/shoots/${bundle().shoot.id}/dress?wearer=somebody&scene=${first!.id}`);
});
afterEach(cleanup);

const show = (dialog: React.ReactNode) =>
  render(
    <I18nProvider locale="en-GB">
      <ShootStoreProvider store={store}>{dialog}</ShootStoreProvider>
    </I18nProvider>,
  );
const press = async (user: ReturnType<typeof userEvent.setup>, name: string) =>
  user.click(screen.getByRole("button", { name }));

async function choose(user: ReturnType<typeof userEvent.setup>, label: string, option: string): Promise<void> {
  await user.click(screen.getByRole("button", { name: new RegExp(`${label}$`) }));
  await user.click(await screen.findByRole("option", { name: option }));
}

describe("a scene", () => {
  test("is added with its place, its day and who is in it; a day more makes the shoot longer", async () => {
    const user = userEvent.setup();
    show(<SceneDialog scene={null} onClose={onClose} />);
    const { days } = bundle().shoot.body;
    await user.clear(screen.getByRole("textbox", { name: "Scene" }));
    await user.type(screen.getByRole("textbox", { name: "Scene" }), "Pick-ups");
    await choose(user, "Day", `Day ${days + 1} (makes the shoot longer)`);
    await choose(user, "Place", "Stone granary");
    const [talent] = bundle().wearers;
    await user.click(within(screen.getByRole("group", { name: "Talent in this scene" })).getByText(talent!.body.name));
    await press(user, "Add scene");
    await waitFor(() => expect(onClose).toHaveBeenCalled());
    const added = bundle().scenes.find(({ body }) => body.title === "Pick-ups")!;
    expect(added.body).toMatchObject({ day: days + 1 });
    expect(bundle().places.find(({ id }) => id === added.body.placeId)!.body.name).toBe("Stone granary");
    expect(rigsOfScene(bundle(), added.id).map(({ body }) => body.wearerId)).toEqual([talent!.id]);
    expect(bundle().shoot.body.days).toBe(days + 1);
    expect(window.location.search).toContain(`scene=${added.id}`);
  });

  test("without a title is refused at the field, and nothing is made", async () => {
    const user = userEvent.setup();
    show(<SceneDialog scene={null} onClose={onClose} />);
    const before = bundle().scenes.length;
    await user.clear(screen.getByRole("textbox", { name: "Scene" }));
    await press(user, "Add scene");
    expect(await screen.findByText(/must not be empty/)).toBeTruthy();
    expect(onClose).not.toHaveBeenCalled();
    expect(bundle().scenes).toHaveLength(before);
  });

  test("is renamed for all who are in it; their rigs stay as they are", async () => {
    const user = userEvent.setup();
    const rigs = rigsOfScene(bundle(), first!.id);
    show(<SceneDialog scene={first!} onClose={onClose} />);
    const title = screen.getByRole("textbox", { name: "Scene" });
    await user.clear(title);
    await user.type(title, "Miller, again");
    await press(user, "Save");
    await waitFor(() => expect(onClose).toHaveBeenCalled());
    expect(bundle().scenes.find(({ id }) => id === first!.id)!.body.title).toBe("Miller, again");
    expect(rigsOfScene(bundle(), first!.id).map(({ id }) => id)).toEqual(rigs.map(({ id }) => id));
  });

  test("lets talent go, and takes others in", async () => {
    const user = userEvent.setup();
    const [rig] = rigsOfScene(bundle(), first!.id);
    const leaving = bundle().wearers.find(({ id }) => id === rig!.body.wearerId)!;
    const coming = bundle().wearers.find(
      ({ id }) => !rigsOfScene(bundle(), first!.id).some(({ body }) => body.wearerId === id),
    )!;
    show(<SceneDialog scene={first!} onClose={onClose} />);
    const talent = within(screen.getByRole("group", { name: "Talent in this scene" }));
    await user.click(talent.getByText(leaving.body.name));
    await user.click(talent.getByText(coming.body.name));
    await press(user, "Save");
    await waitFor(() => expect(onClose).toHaveBeenCalled());
    const now = rigsOfScene(bundle(), first!.id).map(({ body }) => body.wearerId);
    expect(now).toContain(coming.id);
    expect(now).not.toContain(leaving.id);
  });

  test("is deleted from its dialog, and the address names it no more", async () => {
    const user = userEvent.setup();
    show(<SceneDialog scene={first!} onClose={onClose} />);
    await press(user, "Delete this scene");
    expect(bundle().scenes.some(({ id }) => id === first!.id)).toBe(false);
    expect(window.location.search).not.toContain(first!.id);
    act(() => void store.undo());
    expect(bundle().scenes.some(({ id }) => id === first!.id)).toBe(true);
  });

  test("cancelled stays as it was", async () => {
    const user = userEvent.setup();
    show(<SceneDialog scene={first!} onClose={onClose} />);
    await user.type(screen.getByRole("textbox", { name: "Scene" }), " changed");
    await press(user, "Cancel");
    expect(onClose).toHaveBeenCalled();
    expect(bundle().scenes.find(({ id }) => id === first!.id)!.body.title).toBe(first!.body.title);
  });
});

describe("the facts of a shoot", () => {
  test("are changed at any time: title, units, delivery with its format", async () => {
    const user = userEvent.setup();
    show(<ShootDialog onClose={onClose} />);
    const title = screen.getByRole("textbox", { name: "Title" });
    await user.clear(title);
    await user.type(title, "High Water");
    await user.click(screen.getByText("Imperial"));
    await user.click(screen.getByText("Radio 44.1/16"));
    await press(user, "Save");
    await waitFor(() => expect(onClose).toHaveBeenCalled());
    expect(bundle().shoot.body).toMatchObject({
      ...{ title: "High Water", units: "imperial", delivery: "radio" },
      ...{ sampleRateHz: 44100, bitsPerSample: 16 },
    });
  });

  test("fewer days than its scenes need are said, and no scene is lost", async () => {
    const user = userEvent.setup();
    show(<ShootDialog onClose={onClose} />);
    const days = screen.getByRole("textbox", { name: "Days" });
    const scenes = bundle().scenes.length;
    await user.clear(days);
    await user.type(days, "1");
    expect(screen.getByText(/planned for a later day than this shoot has/)).toBeTruthy();
    await press(user, "Save");
    await waitFor(() => expect(onClose).toHaveBeenCalled());
    expect(bundle().shoot.body.days).toBe(1);
    expect(bundle().scenes).toHaveLength(scenes);
  });

  test("an empty title is refused where it stands", async () => {
    const user = userEvent.setup();
    show(<ShootDialog onClose={onClose} />);
    await user.clear(screen.getByRole("textbox", { name: "Title" }));
    await press(user, "Save");
    expect(await screen.findByText("Title must not be empty.")).toBeTruthy();
    expect(bundle().shoot.body.title).toBe(SLACK_WATER.shoot.title);
  });
});
