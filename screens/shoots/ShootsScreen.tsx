"use client";

import { MoreVertical } from "lucide-react";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import styled from "styled-components";
import type { Stored } from "@/core/shoot/records";
import { Button } from "@/ui/Button";
import { Menu } from "@/ui/Menu";
import { showToast } from "@/ui/toasts";
import { Columns, Lead, Piece, Row, Soft, Stack } from "@/ui/layout";
import { sendRemoval } from "../saving/sendRecord";
import { Page } from "../shell/ShootShell";
import { NewShoot } from "./NewShoot";

const Wordmark = styled.h1`
  font-size: 2.2rem;
  letter-spacing: -0.01em;
`;

const ShootLink = styled(Link)`
  font-family: "Fraunces Variable", serif;
  font-size: 1.15rem;
  font-weight: 600;
  min-height: 44px;
  display: inline-flex;
  align-items: center;
`;

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  li {
    border-top: 1px dashed var(--seam);
    padding: 0.3rem 0;
  }
`;

function daysOf({ body }: Stored<"shoot">): string {
  return `${body.firstDay}, ${body.days} ${body.days === 1 ? "day" : "days"}, ${body.frameRate} fps`;
}

/** The crew's shoots, the demo, and a new one. */
export function ShootsScreen({ shoots, today }: { shoots: readonly Stored<"shoot">[]; today: string }) {
  const router = useRouter();
  const [isOpening, setIsOpening] = useState(false);

  async function openDemo(): Promise<void> {
    setIsOpening(true);
    const response = await fetch("/api/demo", {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: "{}",
    }).catch(() => null);
    if (response?.ok) router.push(`/shoots/${((await response.json()) as { id: string }).id}`);
    else {
      setIsOpening(false);
      showToast({ says: "The server is away: the demo could not be opened." });
    }
  }

  async function remove(shoot: Stored<"shoot">, isRestoring: boolean): Promise<void> {
    try {
      await sendRemoval("shoot", shoot.id, isRestoring);
      router.refresh();
      if (!isRestoring)
        showToast({
          says: `${shoot.body.title} deleted.`,
          action: { name: "Undo", run: () => void remove(shoot, true) },
        });
    } catch (error) {
      showToast({ says: error instanceof Error ? error.message : "That did not work." });
    }
  }

  return (
    <Page id="work">
      <Stack>
        <div>
          <Wordmark>Hypophon</Wordmark>
          <Lead>Say who wears what, where, and with which gear. Get the place, the settings, and the proof.</Lead>
        </div>
        <Columns $template="minmax(0, 1fr) minmax(0, 2fr)">
          <Piece aria-labelledby="shoots">
            <Stack>
              <h2 id="shoots">Your shoots</h2>
              {shoots.length === 0 && <Soft>None yet. Start one, or look round the demo first.</Soft>}
              <List>
                {shoots.map((shoot) => (
                  <li key={shoot.id}>
                    <Row $between>
                      <div>
                        <ShootLink href={`/shoots/${shoot.id}`}>{shoot.body.title}</ShootLink>
                        <Soft>{daysOf(shoot)}</Soft>
                      </div>
                      <Menu
                        label={`More for ${shoot.body.title}`}
                        icon={<MoreVertical size={18} aria-hidden />}
                        choices={[
                          { id: "delete", name: "Delete this shoot", onChoose: () => void remove(shoot, false) },
                        ]}
                      />
                    </Row>
                  </li>
                ))}
              </List>
              <div>
                <Button onPress={() => void openDemo()} isPending={isOpening}>
                  Open the demo shoot
                </Button>
              </div>
            </Stack>
          </Piece>
          <Piece>
            <NewShoot today={today} />
          </Piece>
        </Columns>
      </Stack>
    </Page>
  );
}
