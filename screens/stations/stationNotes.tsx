"use client";

import { StationNote } from "./StationNote";

export const RollNote = () => <StationNote station="roll" />;
export const HandoverNote = () => <StationNote station="handover" />;
