"use client";

import { Link } from "@/ui/address";
import styled from "styled-components";
import { ThreadSample } from "@/ui/Stitch";
import { useShoot } from "@/data/ShootProvider";

const List = styled.nav`
  display: flex;
  overflow: auto;
  gap: 0.2rem;
  @media (min-width: 900px) {
    flex-wrap: wrap;
    max-height: 8.5rem;
  }
  border-bottom: 1px solid var(--seam);
`;

const Name = styled(Link)`
  min-height: 44px;
  padding: 0.5rem 0.9rem;
  display: flex;
  align-items: center;
  gap: 0.5rem;
  white-space: nowrap;
  color: var(--ink);
  text-decoration: none;
  border: 1px solid transparent;
  border-bottom: 0;
  margin-bottom: -1px;
  outline-offset: -3px;
  &[aria-current] {
    background: var(--paper);
    border-color: var(--seam);
    font-weight: 600;
  }
  &:hover:not([aria-current]) {
    background: var(--paper-deep);
  }
`;

function WearerLink(props: { id: string; name: string; thread: number; isSelected: boolean }) {
  return (
    <Name href={`?wearer=${props.id}`} replace keepsPlace aria-current={props.isSelected ? "page" : undefined}>
      <ThreadSample thread={props.thread} />
      {props.name}
    </Name>
  );
}

/** The wearers of the shoot, the one in work marked; each is an address of its own. */
export function WearerLinks({ selected }: { selected: string }) {
  const { bundle } = useShoot();
  return (
    <List aria-label="Talent">
      {bundle.wearers.map(({ id, body }) => (
        <WearerLink key={id} id={id} name={body.name} thread={body.thread} isSelected={id === selected} />
      ))}
    </List>
  );
}
