import * as Type from "@sinclair/typebox";
import { HeightM } from "../dress";
import { PlaceBody, ShootBody } from "../records";
import { say } from "../../messages";
import { oneOf } from "./oneOf";
import { fits, schemaFaults } from "./validate";

const messages = (schema: Parameters<typeof schemaFaults>[0], value: unknown) =>
  schemaFaults(schema, value).map((fault) => say(fault.says));

test("an impossible height is refused with what is allowed", () => {
  expect(messages(HeightM, 4)).toEqual(["Height: 0.8 to 2.3."]);
  expect(fits(HeightM, 1.75)).toBe(true);
});

test("each fault names its field", () => {
  const shoot = {
    title: "   ",
    firstDay: "soon",
    days: 0,
    units: "metric",
    clock: "24",
    frameRate: 26,
    delivery: "picture",
    sampleRateHz: 48000,
    bitsPerSample: 24,
    director: "x",
  };
  const paths = schemaFaults(ShootBody, shoot).map((fault) => fault.path);
  expect(paths).toEqual(expect.arrayContaining(["", "title", "firstDay", "days", "frameRate"]));
  expect(messages(ShootBody, shoot)).toEqual(
    expect.arrayContaining(["director is not known here.", "Days: 1 to 365."]),
  );
});

test("missing parts are named, wrong ids refused", () => {
  expect(messages(PlaceBody, { shootId: "not-an-id", name: "x" })).toEqual(
    expect.arrayContaining(["model is missing.", "shootId: this is not an id."]),
  );
});

test("one of a list says the list", () => {
  expect(messages(oneOf(["a", "b"], "Letter"), "c")).toEqual(["Letter: one of a, b."]);
  expect(messages(Type.Object({ size: oneOf([1, 2], "Size") }), { size: 3 })).toEqual(["Size: one of 1, 2."]);
});
