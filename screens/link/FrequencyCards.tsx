"use client";

import { say } from "@/messages";
import { Link } from "@/ui/address";
import { Printer } from "lucide-react";
import styled from "styled-components";
import { airSceneOf } from "@/core/planning";
import { BY_LEAD, presetName } from "@/core/wireless";
import { Button } from "@/ui/Button";
import { ThreadSample } from "@/ui/Stitch";
import { Figure, Row, Soft, Stack } from "@/ui/layout";
import { useShoot } from "@/data/ShootProvider";
import { stationHref } from "../shell/stationHref";

const NotPrinted = styled.div`
  @media print {
    display: none;
  }
`;

const Cards = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.8rem;
  grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
`;

const Card = styled.li`
  border: 1px solid var(--seam);
  background: var(--paper);
  padding: 0.9rem;
  break-inside: avoid;
`;

/** A card for each link: to lie beside the pack. */
export function FrequencyCards() {
  const { bundle } = useShoot();
  const { plan } = airSceneOf(bundle);
  const links = plan.links.filter(({ systemId }) => systemId !== BY_LEAD);
  return (
    <Stack>
      <NotPrinted>
        <Row $between>
          <Link href={stationHref(bundle.shoot.id, "link", null)}>Back to Link</Link>
          <Button onPress={() => window.print()}>
            <Printer size={18} aria-hidden /> Print
          </Button>
        </Row>
      </NotPrinted>
      <h1>Frequencies</h1>
      {links.length === 0 && <p>Nobody is on the air.</p>}
      <Cards>
        {links.map((link) => {
          const system = plan.systems.find(({ id }) => id === link.systemId);
          const preset = (at: number) => (system && presetName(system, at)) ?? null;
          const thread = bundle.wearers.find(({ id }) => id === link.wearerId)?.body.thread;
          return (
            <Card key={link.id}>
              <Stack $gap={0.4}>
                <Row $gap={0.5}>
                  {thread !== undefined && <ThreadSample thread={thread} />}
                  <strong>{link.name}</strong>
                </Row>
                {link.frequencyMHz === null ? (
                  <p>{system?.band === "ism24" ? "2.4 GHz: pair the two, nothing to tune" : "No frequency yet"}</p>
                ) : (
                  <Figure $size="big">
                    {link.frequencyMHz.toFixed(3)}
                    <small>MHz</small>
                  </Figure>
                )}
                {link.frequencyMHz !== null && preset(link.frequencyMHz) && <p>{preset(link.frequencyMHz)}</p>}
                {link.spareMHz !== null && (
                  <p>
                    Spare {link.spareMHz.toFixed(3)} MHz
                    {preset(link.spareMHz) ? `, ${preset(link.spareMHz)}` : ""}
                  </p>
                )}
                <Soft>
                  {system?.name}
                  {link.zone ? ` · ${link.zone}` : ""}
                </Soft>
              </Stack>
            </Card>
          );
        })}
      </Cards>
      <Soft>
        {plan.region.isExample ? say({ code: "caution.exampleRegion", region: plan.region.name }) : plan.region.name}
      </Soft>
    </Stack>
  );
}
