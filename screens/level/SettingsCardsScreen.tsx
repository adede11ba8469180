"use client";

import { say } from "@/messages";
import { Link } from "@/ui/address";
import { Printer } from "lucide-react";
import styled from "styled-components";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { Row, Soft, Stack } from "@/ui/layout";
import { useState } from "react";
import { useShoot } from "@/data/ShootProvider";
import { stationHref } from "../shell/stationHref";
import { SettingsTickets } from "./SettingsTickets";
import { useLevels, useLevelsRecord } from "./useLevels";

const NotPrinted = styled.div`
  @media print {
    display: none;
  }
`;

const Way = styled.div`
  break-inside: avoid;
  & + & {
    border-top: 1px solid var(--seam);
    padding-top: 0.8rem;
  }
`;

const SCOPES = [
  { value: "one", name: "This one" },
  { value: "scene", name: "Its scene" },
  { value: "all", name: "All" },
] as const;

/** What to set, device by device: on a phone beside the devices, or on paper. */
export function SettingsCardsScreen() {
  const { bundle } = useShoot();
  const { subjects, chosen } = useLevels();
  const { tick } = useLevelsRecord();
  const [scope, setScope] = useState<(typeof SCOPES)[number]["value"]>("one");
  const shown = subjects.filter(({ id, sceneId, plan }) => {
    if (!plan) return false;
    if (scope === "all") return true;
    return scope === "scene" ? sceneId === chosen?.sceneId : id === chosen?.id;
  });
  const titles = new Map(bundle.scenes.map(({ id, body }) => [id, body.title]));
  return (
    <Stack>
      <NotPrinted>
        <Stack $gap={0.6}>
          <Row $between>
            <Link href={stationHref(bundle.shoot.id, "level", null)}>Back to Level</Link>
            <Button onPress={() => window.print()}>
              <Printer size={18} aria-hidden /> Print
            </Button>
          </Row>
          <Choice label="Cards of" value={scope} options={SCOPES} onChange={setScope} />
        </Stack>
      </NotPrinted>
      <h1>Settings</h1>
      {shown.length === 0 && <p>There is nothing to set yet.</p>}
      {shown.map((subject) => (
        <Way key={subject.id}>
          <Stack $gap={0.6}>
            <Row $gap={0.8}>
              <h2>{subject.name}</h2>
              <Soft>{titles.get(subject.sceneId ?? "")}</Soft>
            </Row>
            {subject.warning && <strong>{say(subject.warning)}</strong>}
            <SettingsTickets
              label={`What to set for ${subject.name}`}
              cards={subject.cards}
              onTick={(card, isOn) => tick(subject.id, card, isOn)}
            />
          </Stack>
        </Way>
      ))}
    </Stack>
  );
}
