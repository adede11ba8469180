"use client";

import type * as Comlink from "comlink";
import type { EditDoor } from "@/workers/editWorker";
import { useDoor } from "../../workers/useDoor";

const make = () => new Worker(new URL("../../../workers/editWorker.ts", import.meta.url), { type: "module" });

/** The worker that measures, cleans, cuts and delivers; one for a page. */
export const useEditDoor = (): (() => Comlink.Remote<EditDoor>) => useDoor<EditDoor>(make);
export type AskEdit = ReturnType<typeof useEditDoor>;
