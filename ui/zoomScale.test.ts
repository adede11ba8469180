import fc from "fast-check";
import { lengthOf, scalingOf, stretchOf, within, zoomed, type Stretch } from "./zoomScale";

const WHOLE: Stretch = { from: 470, to: 694 };
const stretches = fc
  .tuple(fc.double({ min: -1000, max: 2000, noNaN: true }), fc.double({ min: 0.001, max: 3000, noNaN: true }))
  .map(([from, length]): Stretch => ({ from, to: from + length }));

test("what is seen lies within the whole, and is no shorter than the narrowest (property)", () => {
  fc.assert(
    fc.property(stretches, (seen) => {
      const kept = within(WHOLE, 1, seen);
      expect(kept.from).toBeGreaterThanOrEqual(WHOLE.from - 1e-9);
      expect(kept.to).toBeLessThanOrEqual(WHOLE.to + 1e-9);
      expect(lengthOf(kept)).toBeGreaterThanOrEqual(1 - 1e-9);
      // What fitted already stays as it was.
      expect(within(WHOLE, 1, kept).from).toBeCloseTo(kept.from, 9);
    }),
  );
});

test("a scaling shows the stretch that it was made of (property)", () => {
  fc.assert(
    fc.property(stretches, fc.integer({ min: 50, max: 4000 }), (wanted, width) => {
      const seen = within(WHOLE, 1, wanted);
      const again = stretchOf(WHOLE, scalingOf(WHOLE, seen, width), width);
      expect(again.from).toBeCloseTo(seen.from, 6);
      expect(again.to).toBeCloseTo(seen.to, 6);
    }),
  );
});

test("zooming keeps the point it goes to where it is, and back again is where one was", () => {
  const share = ({ from, to }: Stretch, point: number) => (point - from) / (to - from);
  const closer = zoomed(WHOLE, 0.25, 520);
  expect(lengthOf(closer)).toBeCloseTo(56, 9);
  expect(share(closer, 520)).toBeCloseTo(share(WHOLE, 520), 9);
  expect(zoomed(closer, 4, 520).from).toBeCloseTo(470, 9);
});

test("the whole is a scaling of one without a shift; the right half one of two, shifted by a width", () => {
  expect(scalingOf(WHOLE, WHOLE, 600)).toEqual({ k: 1, x: -0 });
  expect(scalingOf(WHOLE, { from: 582, to: 694 }, 600)).toEqual({ k: 2, x: -600 });
});
