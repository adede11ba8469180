"use client";

import { ClockContext } from "@/ui/clock";
import { useState, type ReactNode } from "react";
import styled from "styled-components";
import { STATION_IDS, STATIONS, type StationId } from "@/core/board";
import { rigsOfScene } from "@/core/records";
import { sayIn, STATION_QUESTIONS } from "@/messages";
import { goTo, replaceAddress, useAddress } from "@/ui/address";
import { later } from "@/ui/later";
import { useShoot, useShootPart, useShootStore } from "@/data/ShootProvider";
import { showToast } from "@/ui/toasts";
import { CallList } from "./CallList";
import { CallListRoom } from "./InCallList";
import { Page } from "./Page";
import { PhoneBar } from "./PhoneBar";
import { StationRail } from "./StationRail";
import { TopBar } from "./TopBar";
import { withFocus } from "./focus";
import { switchGround } from "./ground";
import { stationHref } from "./stationHref";
import { useShownKeys } from "./stationKeys";
import { useAddTalent } from "./useAddTalent";
import { useFocus } from "./useFocus";
import { useKeys, type KeyCommand } from "./useKeys";
import { usePlanningOf, useStationStates } from "./useLinePlans";

// They come right after the page, before anyone can ask for them, also where the signal is lost later.
const KeysDialog = later(() => import("./KeysDialog").then((module) => module.KeysDialog));
const Palette = later(() => import("./Palette").then((module) => module.Palette));

const Skip = styled.a`
  position: absolute;
  left: -999px;
  &:focus {
    left: 1rem;
    top: 0.5rem;
    z-index: 60;
    background: var(--paper);
    padding: 0.5rem 1rem;
  }
`;

const Frame = styled.div<{ $withCalls: boolean }>`
  display: grid;
  align-items: start;
  grid-template-columns: auto ${({ $withCalls }) => ($withCalls ? "auto" : "")} minmax(0, 1fr);
  @media (max-width: 899px) {
    grid-template-columns: minmax(0, 1fr);
    padding-bottom: calc(56px + env(safe-area-inset-bottom));
  }
  @media print {
    display: block;
    padding: 0;
  }
`;

/** Stations about people: the call list stands beside them. */
const WITH_CALLS: readonly string[] = ["dress", "link", "level", "roll", "check"] satisfies StationId[];

/** Plans what rail and call list show, where the board does not plan it all. */
function ScenePlanning({ sceneId }: { sceneId: string | null }) {
  usePlanningOf(sceneId);
  return null;
}

/** The talent before or after one in the scene. */
function useNextTalent(): (by: number) => void {
  const { bundle } = useShoot();
  const { query } = useAddress();
  const { scene, talent } = useFocus();
  return (by) => {
    if (!scene) return;
    const ids = rigsOfScene(bundle, scene.id).map(({ body }) => body.wearerId);
    if (ids.length === 0) return;
    const at = Math.max(0, ids.indexOf(talent?.id ?? ""));
    replaceAddress(withFocus(query, { wearerId: ids[(at + by + ids.length) % ids.length]!, sceneId: scene.id }));
  };
}

/** The frame of every screen of a shoot: where we are, the stations, the talent of the scene. */
export function ShootShell({ children }: { children: ReactNode }) {
  const shootId = useShootPart(({ bundle }) => bundle.shoot.id);
  const units = useShootPart(({ bundle }) => bundle.shoot.body.units);
  const clock = useShootPart(({ bundle }) => bundle.shoot.body.clock);
  sayIn({ units, clock });
  const { path, query } = useAddress();
  const page = path.split("/")[3] ?? "";
  const isBoard = page === "";
  const focus = useFocus();
  const store = useShootStore();
  const nextTalent = useNextTalent();
  const addTalent = useAddTalent();
  const [isHelpOpen, setIsHelpOpen] = useState(false);
  const [isFinding, setIsFinding] = useState(false);
  const [room, setRoom] = useState<HTMLElement | null>(null);
  // What the address names goes along; what is only the first of a scene is the first there too.
  const [wearerId, sceneId] = [query.get("wearer"), query.get("scene")];
  const states = useStationStates(isBoard ? null : (focus.rig?.id ?? focus.talent?.id ?? ""));

  const commands: KeyCommand[] = [
    { key: "b", says: "Board", run: () => goTo(`/shoots/${shootId}`) },
    { key: "d", says: "Day sheet", run: () => goTo(stationHref(shootId, "day", wearerId, sceneId)) },
    ...STATION_IDS.map((id, index) => ({
      key: String(index + 1),
      says: `${STATIONS[id].name}: ${STATION_QUESTIONS[id]}`,
      run: () => goTo(stationHref(shootId, id, wearerId, sceneId)),
    })),
    { key: "n", says: "Next talent", run: () => nextTalent(1) },
    { key: "p", says: "Previous talent", run: () => nextTalent(-1) },
    { key: "/", says: "Find anything by its name", run: () => setIsFinding(true) },
    { key: "g", says: "Ground: day or dark set", run: () => void switchGround() },
    { key: "?", says: "This list", run: () => setIsHelpOpen(true) },
  ];
  const goBack = (isBack: boolean) => {
    const isDone = isBack ? store.undo() : store.redo();
    showToast({
      says: isDone ? (isBack ? "Undone." : "Done again.") : isBack ? "Nothing to undo." : "Nothing to redo.",
    });
  };
  useKeys(commands, [
    { key: "k", worksInFields: true, run: () => setIsFinding(true) },
    { key: "z", run: () => goBack(true) },
    { key: "z", withShift: true, run: () => goBack(false) },
    { key: "y", run: () => goBack(false) },
  ]);
  const stationKeys = useShownKeys();
  const deeds = [
    { id: "add talent", name: "Add talent", says: "to this scene", run: () => addTalent(sceneId) },
    { id: "ground", name: "Day or dark set", says: "g", run: () => void switchGround() },
    { id: "undo", name: "Undo", says: "Ctrl+Z", run: () => void store.undo() },
    { id: "redo", name: "Redo", says: "Ctrl+Shift+Z", run: () => void store.redo() },
    { id: "keys", name: "Show keys", says: "?", run: () => setIsHelpOpen(true) },
    { id: "shoots", name: "All shoots", says: "", run: () => goTo("/") },
  ];
  const withCalls = WITH_CALLS.includes(page);

  return (
    // What was said in other units, or by another clock, is said anew.
    <ClockContext key={`${units} ${clock}`} value={clock}>
      <Skip href="#work">Skip to content</Skip>
      <TopBar focus={focus} onFind={() => setIsFinding(true)} onHelp={() => setIsHelpOpen(true)} />
      <Frame $withCalls={withCalls}>
        <StationRail
          shootId={shootId}
          wearerId={wearerId}
          sceneId={sceneId}
          thread={isBoard ? null : (focus.talent?.body.thread ?? null)}
          states={states}
        />
        {withCalls && <CallList focus={focus} onRoom={setRoom} />}
        <Page id="work">
          <CallListRoom value={room}>{children}</CallListRoom>
        </Page>
      </Frame>
      <PhoneBar shootId={shootId} wearerId={wearerId} sceneId={sceneId} states={states} />
      {!isBoard && <ScenePlanning sceneId={focus.scene?.id ?? null} />}
      <KeysDialog
        isOpen={isHelpOpen}
        onClose={() => setIsHelpOpen(false)}
        commands={[...stationKeys, ...commands.filter(({ key }) => stationKeys.every((own) => own.key !== key))]}
      />
      {isFinding && <Palette focus={{ wearerId, sceneId }} deeds={deeds} onClose={() => setIsFinding(false)} />}
    </ClockContext>
  );
}
