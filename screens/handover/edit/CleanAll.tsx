"use client";

import { Layers } from "lucide-react";
import { useState } from "react";
import { treatmentMessage } from "@/core/clean";
import { say } from "@/messages";
import { Button } from "@/ui/Button";
import type { DroppedFile } from "@/ui/FileDrop";
import { Piece, Soft, Stack } from "@/ui/layout";
import { canPickFolders, pickFolder } from "../../files/pickFolder";
import { Working } from "./Opening";
import { nameWith } from "./saveSound";
import type { Editing } from "./useEditing";

const FORM = { bits: 24, isFloat: false } as const;

/** Cleans every recording on the page that asks for it, each by what was measured of it, into one folder. */
export function CleanAll({ sounds, editing }: { sounds: readonly DroppedFile[]; editing: Editing }) {
  const [done, setDone] = useState<number | null>(null);
  const [says, setSays] = useState<string | null>(null);
  if (sounds.length < 2 || !canPickFolders()) return null;
  const run = async () => {
    const folder = await pickFolder();
    if (!folder || folder === "none") return;
    setSays(null);
    let [cleaned, fine] = [0, 0];
    const failed: string[] = [];
    for (const [at, { file }] of sounds.entries()) {
      setDone(at);
      const opened = await editing.door().open(file);
      if ("refused" in opened) {
        failed.push(`${file.name}: ${say(opened.refused)}`);
        continue;
      }
      const { plan, sampleRateHz } = opened.value;
      if (plan.channels.length === 0) {
        fine += 1;
        continue;
      }
      const done = plan.channels.map(
        ({ channel, treatments }) =>
          `${channel + 1}: ${treatments.map((each) => say(treatmentMessage(each))).join(", ")}`,
      );
      const history = `A=PCM,F=${sampleRateHz},W=24,T=Hypophon; ${done.join("; ")}`;
      const target = await folder.getFileHandle(nameWith(file, "clean"), { create: true }).catch(() => null);
      const answer = target && (await editing.door().clean(file, plan, FORM, history, target));
      if (!answer) failed.push(`${file.name}: ${say({ code: "refused.unwritable", isFull: false })}`);
      else if ("refused" in answer) failed.push(`${file.name}: ${say(answer.refused)}`);
      else cleaned += 1;
    }
    setDone(null);
    setSays([`${cleaned} cleaned into ${folder.name}, ${fine} ask for nothing.`, ...failed].join(" "));
  };
  return (
    <Piece aria-label="All recordings" $tight>
      <Stack $gap={0.5}>
        <Button isDisabled={done !== null} onPress={() => void run()}>
          <Layers size={18} aria-hidden /> Clean all that need it
        </Button>
        {done !== null && (
          <Working
            says={`${sounds[done]?.file.name ?? ""}: ${done + 1} of ${sounds.length}`}
            share={done / sounds.length}
          />
        )}
        {says && <Soft role="status">{says}</Soft>}
      </Stack>
    </Piece>
  );
}
