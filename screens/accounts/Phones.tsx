"use client";

import { useState } from "react";
import type { Role } from "@/core/crew";
import { type CrewNow, linkOf, type MadeLink } from "@/data/server";
import { ROLE_NAMES, ROLE_WORDS, timeWords } from "@/messages";
import { Button } from "@/ui/Button";
import { Dialog } from "@/ui/Dialog";
import { Columns, Piece, Row, Soft, Stack } from "@/ui/layout";
import { Select } from "@/ui/Select";
import { nowWords } from "../dress/nowWords";
import { LinkCode, QrCode } from "./LinkCode";

const DAY_ROLES = (["mixer", "assistant", "guest"] as const).map((role) => ({
  value: role as Role,
  name: `${ROLE_NAMES[role]}: can ${ROLE_WORDS[role]}`,
}));

/** The hour and minute of an instant, by the clock of this device. */
export const hourOf = (at: string): string => timeWords(nowWords(new Date(at)).slice(11));

/** How phones come in for the day: a code to scan, and once per phone the certificate of this laptop. */
export function Phones({ crew, make }: { crew: CrewNow; make: (role: Role) => Promise<MadeLink | null> }) {
  const [role, setRole] = useState<Role>("assistant");
  const [made, setMade] = useState<MadeLink | null>(null);
  const [doorAt, setDoorAt] = useState("0");
  const door = crew.lan?.doors[Number(doorAt)] ?? crew.lan?.doors[0] ?? null;
  const link = made && linkOf(door ? { ...made, from: door.address } : made, "/sign-in?day=");
  return (
    <Piece aria-label="Phones for the day">
      <Stack $gap={0.6}>
        <h2>Phones for the day</h2>
        <Row $low>
          <Select<Role> label="Sign in as" value={role} options={DAY_ROLES} onChange={setRole} />
          {crew.lan && crew.lan.doors.length > 1 && (
            <Select
              label="Network"
              value={doorAt}
              options={crew.lan.doors.map(({ address }, at) => ({
                value: String(at),
                name: new URL(address).hostname,
              }))}
              onChange={setDoorAt}
            />
          )}
          <Button look="main" onPress={() => void make(role).then(setMade)}>
            Show the code
          </Button>
        </Row>
        {crew.lan && crew.lan.doors.length === 0 && (
          <Soft role="status">This laptop is in no local network: join one, and reload.</Soft>
        )}
      </Stack>
      <Dialog title="Sign in for the day" isOpen={link !== null} onClose={() => setMade(null)}>
        {link && (
          <Columns $template="1fr 1fr">
            <LinkCode link={link} says={`Any phone that scans it is signed in until ${hourOf(made.expiresAt)}.`} />
            {door && (
              <Stack $gap={0.4}>
                <h3>First time on this phone</h3>
                <p>Scan this one first. Offline work and the microphone need it.</p>
                <QrCode text={door.trust} label="Where the phone gets the certificate, as a QR code" />
                <code style={{ overflowWrap: "anywhere" }}>{door.trust}</code>
                <Soft>The phone must show the same groups: {crew.lan!.fingerprint}</Soft>
              </Stack>
            )}
          </Columns>
        )}
      </Dialog>
    </Piece>
  );
}
