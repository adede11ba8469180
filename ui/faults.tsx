"use client";

import { createContext, useContext } from "react";

/** What was found wrong with fields after they had been taken, by the field's label. */
export const Faults = createContext<ReadonlyMap<string, string>>(new Map());

/** What was found wrong with a field elsewhere, or null. */
export const useFault = (label: string): string | null => useContext(Faults).get(label) ?? null;
