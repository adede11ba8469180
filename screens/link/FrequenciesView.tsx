"use client";

import { say } from "@/messages";
import { Link } from "@/ui/address";
import * as Comlink from "comlink";
import { later } from "@/ui/later";
import { useCallback, useMemo, useState } from "react";
import { type AirScene, airSceneOf } from "@/core/planning";
import {
  airJson,
  type AirProgress,
  airTable,
  bindingMessage,
  BY_LEAD,
  conflictMessage,
  type CoordinatedAir,
  coordinationMessages,
  withTuned,
} from "@/core/wireless";
import { Button } from "@/ui/Button";
import { Inspector } from "@/ui/Inspector";
import { Disclosure } from "@/ui/Disclosure";
import { FoldOnPhone } from "@/ui/FoldOnPhone";
import { Columns, Lead, Piece, Row, Soft, Stack } from "@/ui/layout";
import { showToast } from "@/ui/toasts";
import { useShoot } from "@/data/ShootProvider";
import { useFocus } from "../shell/useFocus";
import { Spectrum } from "./Spectrum";
import { saveCsv, saveFile } from "../files/saveFile";
import { useAir, useAirDoor, type AirEdits } from "./useAir";

const LinkTable = later(() => import("./LinkTable").then((module) => module.LinkTable));
const LinkFields = later(() => import("./LinkFields").then((module) => module.LinkFields));
const RangeView = later(() => import("./RangeView").then((module) => module.RangeView));
const ScanTools = later(() => import("./ScanTools").then((module) => module.ScanTools));
const RulesForm = later(() => import("./AirForm").then((module) => module.RulesForm));
const RegionForm = later(() => import("./AirForm").then((module) => module.RegionForm));
const SystemsForm = later(() => import("./AirForm").then((module) => module.SystemsForm));

/** How the frequencies stand, in a sentence. */
function verdictOf({ body, plan, carriers, faults }: AirScene): string {
  const onAir = body.links.filter(({ systemId }) => systemId !== BY_LEAD);
  if (onAir.length === 0) return say({ code: "frequencies.nobody" });
  if (faults.refused[0]) return say(faults.refused[0].says);
  const [first] = faults.conflicts;
  if (first) return `${say(conflictMessage(first))}.`;
  if (faults.onTaken[0]) return say(faults.onTaken[0].says);
  const uhf = onAir.filter(({ systemId }) => plan.systems.find(({ id }) => id === systemId)?.band === "uhf").length;
  if (carriers.length < uhf) return say({ code: "frequencies.missing", missing: uhf - carriers.length, of: uhf });
  return say(uhf === 0 ? { code: "frequencies.own" } : { code: "frequencies.good", count: uhf });
}

/** Takes over what a coordination found, with undo. */
function takeOver(air: AirScene, edits: AirEdits, found: CoordinatedAir): void {
  const before = air.body.links;
  edits.edit((body) => withTuned(body, found));
  showToast({
    says: `${found.placed} frequencies set.`,
    action: { name: "Undo", run: () => edits.edit((body) => ({ ...body, links: before })) },
  });
}

function Coordinate({ air, edits }: { air: AirScene; edits: AirEdits }) {
  const doorOf = useAirDoor();
  const [progress, setProgress] = useState<AirProgress | null>(null);
  const [found, setFound] = useState<string | null>(null);
  /** Asks what would let more links on; null where all have a frequency. */
  const [askWhy, setAskWhy] = useState<(() => Promise<string>) | null>(null);
  const { cure } = air.faults;
  const begin = async () => {
    setFound(null);
    setAskWhy(null);
    setProgress({ stage: "searching", placed: 0, wanted: air.prepared.links.length });
    let isDone = false;
    // The last progress may arrive after the result.
    const onProgress = Comlink.proxy((next: AirProgress) => !isDone && setProgress(next));
    try {
      const result = await doorOf().coordinate(air.plan, air.onAir, onProgress);
      isDone = true;
      setFound(coordinationMessages(result).map(say).join(" "));
      if (result.lockedConflicts.length > 0) return;
      takeOver(air, edits, result);
      if (result.placed < result.wanted)
        setAskWhy(() => async () => {
          const bindings = await doorOf().binding(air.plan, air.onAir, result.placed);
          const limit = bindingMessage(bindings, result.isProved);
          return limit ? say(limit) : "Dropping a single rule would not place more links.";
        });
    } catch {
      setFound("This browser could not start the search: reload the page.");
    } finally {
      setProgress(null);
    }
  };
  return (
    <Stack $gap={0.6}>
      <Lead role="status" data-part="verdict">
        {verdictOf(air)}
      </Lead>
      {air.faults.count > 1 && <Soft>{air.faults.count} rules are broken in all.</Soft>}
      {progress ? (
        <Row>
          <span role="status">
            {progress.stage === "widening"
              ? "Widening the spacings"
              : `${progress.placed} of ${progress.wanted} so far`}
          </span>
          <Button onPress={() => void doorOf().cancel()}>Stop, keep the best</Button>
        </Row>
      ) : (
        <Row data-part="next">
          <Button look="main" isDisabled={air.prepared.links.length === 0} onPress={() => void begin()}>
            Find frequencies
          </Button>
          {cure && (
            <Button onPress={() => edits.setLink(cure.link.id, { frequencyMHz: cure.toMHz, spareMHz: null })}>
              Only move {cure.link.name} to {cure.toMHz.toFixed(3)}
            </Button>
          )}
        </Row>
      )}
      {found && <p role="status">{found}</p>}
      {askWhy && (
        <Row>
          <Button
            look="quiet"
            onPress={() => {
              setAskWhy(null);
              void askWhy().then((why) => setFound(`${found} ${why}`));
            }}
          >
            What limits it?
          </Button>
        </Row>
      )}
    </Stack>
  );
}

/** Which frequencies? */
export function FrequenciesView() {
  const { bundle } = useShoot();
  const edits = useAir();
  const { talent } = useFocus();
  const talentId = talent?.id ?? null;
  // A carrier that was chosen stays chosen until another talent is.
  const [picked, setPicked] = useState<{ id: string; talentId: string | null } | null>(null);
  const chosenId = picked?.talentId === talentId ? picked.id : null;
  const setChosenId = useCallback((id: string) => setPicked({ id, talentId }), [talentId]);
  const [isDragging, setIsDragging] = useState(false);
  const air = useMemo(() => airSceneOf(bundle, undefined, !isDragging), [bundle, isDragging]);
  const threads = useMemo(() => new Map(bundle.wearers.map(({ id, body }) => [id, body.thread])), [bundle.wearers]);
  const { links, region } = air.body;
  const onAir = links.filter(({ systemId }) => systemId !== BY_LEAD);
  const chosen =
    onAir.find(({ id }) => id === chosenId) ??
    onAir.find(({ wearerId }) => wearerId !== null && wearerId === talentId) ??
    onAir[0] ??
    null;
  // What is wired can be looked at too, and given a system.
  const shown = links.find(({ id }) => id === chosenId) ?? chosen;
  return (
    <Stack>
      {region.isExample && <Soft>{say({ code: "caution.exampleRegion", region: region.name })}</Soft>}
      <Columns $template="minmax(0, 1.6fr) minmax(0, 1fr)">
        <Piece aria-label="Frequencies">
          <Stack>
            <Coordinate air={air} edits={edits} />
            <div data-part="picture">
              <Spectrum
                air={air}
                threads={threads}
                chosenId={chosen?.id ?? null}
                onChoose={setChosenId}
                onMove={(id, frequencyMHz) => edits.setLink(id, { frequencyMHz, spareMHz: null })}
                onDrag={setIsDragging}
              />
            </div>
            <LinkTable air={air} threads={threads} chosenId={shown?.id ?? null} edits={edits} onChoose={setChosenId} />
            <Row $gap={0.5}>
              <Link href={`/shoots/${bundle.shoot.id}/frequencies`}>Cards to print</Link>
              <Button look="quiet" onPress={() => void saveCsv("frequencies.csv", airTable(air.plan))}>
                Save as CSV
              </Button>
              <Button look="quiet" onPress={() => saveFile("frequencies.json", "application/json", airJson(air.plan))}>
                Save as JSON
              </Button>
            </Row>
          </Stack>
        </Piece>
        <Stack>
          {shown && (
            <Inspector title={shown.name} isOpen={chosenId === shown.id} onClose={() => setPicked(null)}>
              <LinkFields key={shown.id} air={air} link={shown} edits={edits} />
            </Inspector>
          )}
          <Piece aria-label="Scan">
            <FoldOnPhone title="Who else is on the air?">
              <ScanTools air={air} edits={edits} />
            </FoldOnPhone>
          </Piece>
          <Piece aria-label="Range">
            <FoldOnPhone title="Does it reach?">
              <RangeView air={air} link={chosen} shoot={bundle.shoot.body} />
            </FoldOnPhone>
          </Piece>
          <Piece aria-label="Settings">
            <Disclosure title={`Allowed here: ${region.name}`}>
              <RegionForm air={air} edits={edits} />
            </Disclosure>
            <Disclosure title="How far apart">
              <RulesForm air={air} edits={edits} />
            </Disclosure>
            <Disclosure title="Systems and their banks">
              <SystemsForm air={air} edits={edits} />
            </Disclosure>
          </Piece>
        </Stack>
      </Columns>
    </Stack>
  );
}
