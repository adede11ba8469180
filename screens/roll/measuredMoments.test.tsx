/** @jest-environment jsdom */
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen, waitFor } from "@testing-library/react";
import type { MarkBody, MeasurementBody, RollBody, TakeDetailBody } from "@/core/records";
import { askTakeDetail } from "@/data/server";
import { stored } from "@/fixtures/testShoot";
import { MeasuredMoments } from "./MeasuredMoments";

jest.mock("@/data/server", () => ({ askTakeDetail: jest.fn() }));
const ask = jest.mocked(askTakeDetail);
afterEach(cleanup);

const roll = stored<"roll">("r", {
  files: [{ name: "T05.wav", lengthS: 60, hash: null, isSure: true }],
} as unknown as RollBody);
const measurement = stored<"measurement">("m", { file: { name: "CARD/T05.wav" } } as unknown as MeasurementBody);
const marks = [stored<"mark">("a", { rollId: "r", atS: 41, kind: "aircraft" } as MarkBody)];

function show(measurements = [measurement]): void {
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <MeasuredMoments roll={roll} marks={marks} bundle={{ measurements }} />
    </QueryClientProvider>,
  );
}
const lines = () => screen.getAllByRole("listitem").map(({ textContent }) => textContent);
const detail = (findings: object[], noise: number[] = []) =>
  stored<"takeDetail">("d", {
    findings,
    channels: [{ course: noise.map((noiseDbfs, at) => ({ startS: 10 * at, noiseDbfs })) }],
  } as unknown as TakeDetailBody) as never;

test("what was measured stands with its time, beside what was noted and by how much the noise was up there", async () => {
  ask.mockResolvedValue(
    detail([{ kind: "clipped", startS: 43, endS: 43.1, severity: "fault" }], [-60, -60, -60, -60, -51, -60]),
  );
  show();
  await waitFor(() => expect(lines()).toEqual(["0:41Aircraft: noise up 9 dB", "0:43Clipped"]));
});

test("a take in which nothing was found says so", async () => {
  ask.mockResolvedValue(detail([]));
  show();
  expect(await screen.findByText("Nothing was found at any moment of it.")).toBeTruthy();
});

test("a take that was not measured, or whose measurement cannot be had, says nothing", async () => {
  show([]);
  expect(document.body.textContent).toBe("");
  cleanup();
  ask.mockRejectedValue(new Error("away"));
  show();
  await waitFor(() => expect(ask).toHaveBeenCalled());
  expect(document.body.textContent).toBe("");
});
