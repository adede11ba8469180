"use client";

import { select } from "d3-selection";
import { zoom, ZoomTransform, type D3ZoomEvent } from "d3-zoom";
import { useEffect, useRef, type RefObject } from "react";
import { lengthOf, scalingOf, stretchOf, within, type Stretch } from "./zoomScale";

/** What a step of the wheel does with a key held: an exponent of two by pixel. */
const WHEEL_STEP = 0.0036;

const hasKey = (event: WheelEvent) => event.ctrlKey || event.altKey || event.metaKey;

/**
 * Pan and zoom of a drawing along its width: drag, pinch, the wheel with a key held, the wheel sideways. A drag moves only what
 * is zoomed, so that a finger still scrolls the page; a press that was no drag comes as a click.
 */
export function useZoom(
  target: RefObject<HTMLElement | null>,
  use: {
    whole: Stretch;
    seen: Stretch;
    /** The shortest stretch there is to see. */
    narrowest: number;
    onSee: (seen: Stretch) => void;
  },
): void {
  const now = useRef(use);
  const behaviour = useRef<ReturnType<typeof zoom<HTMLElement, unknown>> | null>(null);

  useEffect(() => {
    now.current = use;
    const element = target.current;
    if (!element || element.clientWidth === 0) return;
    const { whole, seen, narrowest } = use;
    const { k, x } = scalingOf(whole, seen, element.clientWidth);
    behaviour.current?.scaleExtent([1, Math.max(1, lengthOf(whole) / narrowest)]);
    // Where the library keeps what it goes on from.
    select(element).property("__zoom", new ZoomTransform(k, x, 0));
  });

  useEffect(() => {
    const element = target.current;
    if (!element) return;
    const selection = select<HTMLElement, unknown>(element);
    const isZoomed = () => lengthOf(now.current.seen) < lengthOf(now.current.whole) * 0.999;
    const made = zoom<HTMLElement, unknown>()
      .extent((): [[number, number], [number, number]] => [
        [0, 0],
        [element.clientWidth, 1],
      ])
      .filter((event: Event) => {
        if (event instanceof WheelEvent) return hasKey(event);
        if ((event.target as Element).closest("[role=slider]")) return false;
        if (event instanceof MouseEvent) return event.button === 0;
        return isZoomed() || (event as TouchEvent).touches.length > 1;
      })
      .wheelDelta((event) => -event.deltaY * WHEEL_STEP)
      .constrain((next) => {
        const { whole, narrowest } = now.current;
        const width = element.clientWidth;
        const { k, x } = scalingOf(whole, within(whole, narrowest, stretchOf(whole, next, width)), width);
        return new ZoomTransform(k, x, 0);
      })
      .on("zoom", ({ transform, sourceEvent }: D3ZoomEvent<HTMLElement, unknown>) => {
        if (sourceEvent) now.current.onSee(stretchOf(now.current.whole, transform, element.clientWidth));
      });
    behaviour.current = made;
    selection.call(made).on("dblclick.zoom", null);
    const onWheel = (event: WheelEvent) => {
      if (hasKey(event) || (event.deltaX === 0 && !event.shiftKey)) return;
      event.preventDefault();
      const { whole, seen, narrowest, onSee } = now.current;
      const by = ((event.deltaX || event.deltaY) / element.clientWidth) * lengthOf(seen);
      onSee(within(whole, narrowest, { from: seen.from + by, to: seen.to + by }));
    };
    element.addEventListener("wheel", onWheel, { passive: false });
    return () => {
      element.removeEventListener("wheel", onWheel);
      selection.on(".zoom", null);
      behaviour.current = null;
    };
  }, [target]);
}
