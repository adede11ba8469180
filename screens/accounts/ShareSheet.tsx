"use client";

import { Share2 } from "lucide-react";
import { useState } from "react";
import type { SheetKind } from "@/core/crew";
import { askLinks, linkOf, type OpenLink, Refused, shareSheet, takeBackLink } from "@/data/server";
import { say } from "@/messages";
import { Button } from "@/ui/Button";
import { Dialog } from "@/ui/Dialog";
import { Row, Soft, Stack } from "@/ui/layout";
import { showToast } from "@/ui/toasts";
import { later } from "@/ui/later";

const LinkCode = later(() => import("./LinkCode").then((module) => module.LinkCode));

const NAMES: Record<SheetKind, string> = {
  callSheet: "Call sheet",
  report: "Sound report",
  delivery: "Delivery list",
};
const KIND_NAMES: Record<OpenLink["kind"], string> = { ...NAMES, talent: "A talent's card" };

const saidBy = (error: unknown): string =>
  error instanceof Refused ? say(error.says) : "A link needs the server, which is away.";

function OpenLinks({ links, onTakeBack }: { links: readonly OpenLink[]; onTakeBack: (id: string) => void }) {
  if (links.length === 0) return null;
  return (
    <Stack $gap={0.4} role="group" aria-label="Links of this shoot">
      <h3>Links of this shoot</h3>
      {links.map(({ id, kind, day, expiresAt }) => (
        <Row key={id} $between>
          <span>
            {KIND_NAMES[kind]}
            {day === null ? "" : `, day ${day}`}, until {expiresAt.slice(0, 10)}
          </span>
          <Button look="quiet" onPress={() => onTakeBack(id)}>
            Take back
          </Button>
        </Row>
      ))}
    </Stack>
  );
}

/** Shares a sheet with people who have no account, by a link that only reads; shows which links there are. */
export function ShareSheet({
  shootId,
  kinds,
  day,
}: {
  shootId: string;
  kinds: readonly SheetKind[];
  day: number | null;
}) {
  const [links, setLinks] = useState<OpenLink[] | null>(null);
  const [made, setMade] = useState<string | null>(null);
  const act = async (deed: () => Promise<unknown>) => {
    try {
      await deed();
      setLinks(await askLinks(shootId));
    } catch (error) {
      showToast({ says: saidBy(error) });
    }
  };
  const share = (kind: SheetKind) => act(async () => setMade(linkOf(await shareSheet(shootId, kind, day), "/l/")));
  const close = () => {
    setLinks(null);
    setMade(null);
  };
  return (
    <>
      <Button onPress={() => void act(() => Promise.resolve())}>
        <Share2 size={16} aria-hidden /> Share
      </Button>
      <Dialog title="Share by a link" isOpen={links !== null} onClose={close}>
        {links && (
          <Stack>
            {made ? (
              <LinkCode
                link={made}
                says="Anybody who has it can read it, for 14 days. It shows the shoot as it is then."
              />
            ) : (
              <Stack $gap={0.5}>
                <Soft>{day === null ? "All days." : `Day ${day}.`} Read only, without an account.</Soft>
                <Row $gap={0.5}>
                  {kinds.map((kind) => (
                    <Button key={kind} look="main" onPress={() => void share(kind)}>
                      {NAMES[kind]}
                    </Button>
                  ))}
                </Row>
              </Stack>
            )}
            <OpenLinks links={links} onTakeBack={(id) => void act(() => takeBackLink(id))} />
          </Stack>
        )}
      </Dialog>
    </>
  );
}
