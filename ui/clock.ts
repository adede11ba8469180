"use client";

import { createContext } from "react";

/** Which clock times are typed by: that of the shoot. Apart from the fields, which not every page needs. */
export const ClockContext = createContext<"24" | "12">("24");
