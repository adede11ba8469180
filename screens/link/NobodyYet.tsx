"use client";

import { Lead, Piece, Soft, Stack } from "@/ui/layout";

/** Where there is nothing to connect. */
export const NobodyYet = () => (
  <Piece>
    <Stack>
      <Lead>Nobody is in a scene yet.</Lead>
      <Soft>Add talent, or another transmitter under Frequencies.</Soft>
    </Stack>
  </Piece>
);
