"use client";

import { useEffect } from "react";

/** A single key that works where no field has focus. */
export interface KeyCommand {
  key: string;
  says: string;
  run: () => void;
}

const SWITCH = "hypophon.keys";

/** Whether single keys are on; people who speak to their machine may switch them off. */
export function areKeysOn(): boolean {
  return typeof window !== "undefined" && window.localStorage.getItem(SWITCH) !== "off";
}

export function switchKeys(isOn: boolean): void {
  window.localStorage.setItem(SWITCH, isOn ? "on" : "off");
}

function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)) &&
    !/^(radio|checkbox|range|button)$/.test(target.getAttribute("type") ?? "")
  );
}

function isInOverlay(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    // A control whose list is opening takes what is typed.
    target.closest(
      '[role="dialog"],[role="alertdialog"],[role="listbox"],[role="menu"],[aria-haspopup][aria-expanded="true"]',
    ) !== null
  );
}

/** A key with Control or Command. */
export interface ControlCommand {
  key: string;
  withShift?: boolean;
  /** In a field it is the field's own, unless it works everywhere. */
  worksInFields?: boolean;
  run: () => void;
}

const NONE: readonly ControlCommand[] = [];

/** Listens for single keys all over the page, and for some with Control or Command. */
export function useKeys(
  commands: readonly KeyCommand[],
  controls: readonly ControlCommand[] = NONE,
  /** What one view does with a key comes before what the page does with it. */
  isFirst = false,
): void {
  useEffect(() => {
    function onKey(event: KeyboardEvent): void {
      if ((event.ctrlKey || event.metaKey) && !event.altKey && !event.defaultPrevented) {
        const control = controls.find(
          ({ key, withShift = false }) => key === event.key.toLowerCase() && withShift === event.shiftKey,
        );
        if (!control || isInOverlay(event.target) || (!control.worksInFields && isTyping(event.target))) return;
        event.preventDefault();
        control.run();
        return;
      }
      if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey) return;
      if (!areKeysOn() || isTyping(event.target) || isInOverlay(event.target)) return;
      const command = commands.find((each) => each.key === event.key);
      if (!command) return;
      event.preventDefault();
      command.run();
    }
    document.addEventListener("keydown", onKey, isFirst);
    return () => document.removeEventListener("keydown", onKey, isFirst);
  }, [commands, controls, isFirst]);
}
