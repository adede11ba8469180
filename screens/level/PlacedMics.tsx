"use client";

import Link from "next/link";
import { MICROPHONES } from "@/core/pickup/microphones";
import { peaksAt, pickupScene } from "@/core/shoot/pickupScene";
import { storedPickup } from "@/core/shoot/storedPickup";
import { Table, TableScroll } from "@/ui/Table";
import { Known, Piece, Row, Soft, Stack } from "@/ui/layout";
import { upperFirst } from "../dress/words";
import { useShoot } from "../saving/ShootProvider";

/** Levels at the scene's microphones that nobody wears, from Pickup: what their inputs must bear. */
export function PlacedMics({ sceneId }: { sceneId: string }) {
  const { bundle } = useShoot();
  // Without a microphone placed there is nothing to work out.
  const isPlaced = (storedPickup(bundle, sceneId)?.body.setup.mics.length ?? 0) > 0;
  const pickup = isPlaced ? pickupScene(bundle, sceneId) : null;
  if (!pickup?.own) return null;
  const { talkers, mics } = pickup.body.setup;
  return (
    <Piece aria-label="Microphones that stand free">
      <Stack $gap={0.5}>
        <Row $between>
          <Soft>Microphones that stand free in this scene</Soft>
          <Link href={`/shoots/${bundle.shoot.id}/pickup?scene=${sceneId}`} prefetch={false}>
            To Pickup
          </Link>
        </Row>
        <TableScroll aria-label="Levels at microphones that stand free">
          <Table>
            <thead>
              <tr>
                <th scope="col">Microphone</th>
                <th scope="col">gets loudest</th>
                <th scope="col" data-figure>
                  level, dB SPL
                </th>
                <th scope="col" data-figure>
                  peaks, dB SPL
                </th>
                <th scope="col" data-figure>
                  noise, dB SPL
                </th>
              </tr>
            </thead>
            <tbody>
              {pickup.own.heard.map((heard) => {
                const mic = mics.find(({ id }) => id === heard.micId)!;
                const main = heard.talkers.find(({ talkerId }) => talkerId === heard.mainTalkerId);
                if (!main) return null;
                return (
                  <tr key={heard.micId}>
                    <th scope="row">{upperFirst(MICROPHONES[mic.microphone].name)}</th>
                    <td>{talkers.find(({ id }) => id === main.talkerId)?.name}</td>
                    <td data-figure>
                      <Known $as="planned">{main.levelDb.toFixed(0)}</Known>
                    </td>
                    <td data-figure>
                      <Known $as="planned">{peaksAt(main.levelDb).toFixed(0)}</Known>
                    </td>
                    <td data-figure>
                      <Known $as="planned">{main.noiseDb.toFixed(0)}</Known>
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </Table>
        </TableScroll>
      </Stack>
    </Piece>
  );
}
