"use client";

import { StationNote } from "./StationNote";

export const HandoverNote = () => <StationNote station="handover" />;
