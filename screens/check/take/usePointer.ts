"use client";

import { useEffect, useRef, type RefObject } from "react";

/** What hands do on a drawing, in its pixels. */
export interface PointerUse {
  onDrag: (byPx: number) => void;
  /** Two fingers, or the wheel with a key held: below 1 is closer. */
  onZoom: (factor: number, x: number) => void;
  /** A press that was no drag. */
  onPress: (x: number, y: number) => void;
}

/** A press that moves less is no drag, px. */
const STILL_PX = 5;
const WHEEL_STEP = 0.0025;

/** Drag, pinch, wheel and press on an element. */
export function usePointer(target: RefObject<HTMLElement | null>, use: PointerUse): void {
  const now = useRef(use);
  useEffect(() => {
    now.current = use;
  });
  useEffect(() => {
    const element = target.current;
    if (!element) return;
    const pointers = new Map<number, { x: number; y: number }>();
    let [moved, spread] = [0, 0];
    const place = (event: PointerEvent | WheelEvent) => {
      const box = element.getBoundingClientRect();
      return { x: event.clientX - box.left, y: event.clientY - box.top };
    };
    const spreadNow = () => {
      const [one, other] = [...pointers.values()];
      return one && other ? { px: Math.abs(one.x - other.x), x: (one.x + other.x) / 2 } : null;
    };
    const onDown = (event: PointerEvent) => {
      if (event.button !== 0) return;
      element.setPointerCapture(event.pointerId);
      pointers.set(event.pointerId, place(event));
      if (pointers.size === 1) moved = 0;
      spread = spreadNow()?.px ?? 0;
    };
    const onMove = (event: PointerEvent) => {
      const before = pointers.get(event.pointerId);
      if (!before) return;
      const at = place(event);
      pointers.set(event.pointerId, at);
      const both = spreadNow();
      if (both) {
        if (spread > 10 && both.px > 10) now.current.onZoom(spread / both.px, both.x);
        spread = both.px;
        moved = Infinity;
        return;
      }
      moved += Math.abs(at.x - before.x) + Math.abs(at.y - before.y);
      if (moved > STILL_PX) now.current.onDrag(at.x - before.x);
    };
    const onUp = (event: PointerEvent) => {
      if (!pointers.delete(event.pointerId)) return;
      const { x, y } = place(event);
      if (event.type === "pointerup" && moved <= STILL_PX) now.current.onPress(x, y);
    };
    const onWheel = (event: WheelEvent) => {
      if (event.ctrlKey || event.altKey || event.metaKey) {
        event.preventDefault();
        now.current.onZoom(Math.exp(event.deltaY * WHEEL_STEP), place(event).x);
      } else if (event.deltaX !== 0 || event.shiftKey) {
        event.preventDefault();
        now.current.onDrag(-(event.deltaX || event.deltaY));
      }
    };
    element.addEventListener("pointerdown", onDown);
    element.addEventListener("pointermove", onMove);
    element.addEventListener("pointerup", onUp);
    element.addEventListener("pointercancel", onUp);
    element.addEventListener("wheel", onWheel, { passive: false });
    return () => {
      element.removeEventListener("pointerdown", onDown);
      element.removeEventListener("pointermove", onMove);
      element.removeEventListener("pointerup", onUp);
      element.removeEventListener("pointercancel", onUp);
      element.removeEventListener("wheel", onWheel);
    };
  }, [target]);
}
