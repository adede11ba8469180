"use client";

import { createContext, useContext, type ReactNode } from "react";
import { createPortal } from "react-dom";

/** Where the call list has room for what a station adds to it. */
export const CallListRoom = createContext<HTMLElement | null>(null);

/** Puts something into the call list that belongs to one station: sources that no talent wears. */
export function InCallList({ children }: { children: ReactNode }) {
  const room = useContext(CallListRoom);
  return room && createPortal(children, room);
}
