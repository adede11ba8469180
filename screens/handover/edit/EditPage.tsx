"use client";

import { Columns, Piece, Stack } from "@/ui/layout";
import type { DroppedFile } from "@/ui/FileDrop";
import { CleanAll } from "./CleanAll";
import { CleanView } from "./CleanView";
import { CutView } from "./CutView";
import { DeliverView } from "./DeliverView";
import { Opening } from "./Opening";
import { SoundList } from "./SoundList";
import type { Editing } from "./useEditing";

const VIEWS = { clean: CleanView, cut: CutView, deliver: DeliverView } as const;
export type EditKind = keyof typeof VIEWS;
const NAMES: Record<EditKind, string> = { clean: "Clean", cut: "Cut", deliver: "Deliver" };

/** What is made of one recording: cleaned, cut or delivered. */
export function EditPage(props: { kind: EditKind; sounds: readonly DroppedFile[]; editing: Editing }) {
  const { kind, sounds, editing } = props;
  const { chosen, choose, state } = editing;
  const View = VIEWS[kind];
  return (
    <Columns $template="minmax(12rem, 1fr) minmax(0, 4fr)">
      <Stack>
        <SoundList sounds={sounds} chosen={chosen} onChoose={choose} />
        {kind === "clean" && <CleanAll sounds={sounds} editing={editing} />}
      </Stack>
      <Piece aria-label={NAMES[kind]}>
        <Opening state={state} hint="Drop recordings below, and choose one." />
        {state.phase === "open" && <View key={chosen!.path} {...{ editing, file: state.file, opened: state.opened }} />}
      </Piece>
    </Columns>
  );
}
