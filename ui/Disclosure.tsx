"use client";

import { ChevronRight } from "lucide-react";
import { useState, type ReactNode } from "react";
import { Button, Disclosure as AriaDisclosure, DisclosurePanel, Heading } from "react-aria-components";
import styled from "styled-components";

const Box = styled(AriaDisclosure)`
  min-width: 0;
`;

const Trigger = styled(Button)`
  min-height: var(--hit);
  width: 100%;
  padding: 0.3rem 0;
  font: inherit;
  font-weight: 500;
  color: var(--chalk);
  background: none;
  border: 0;
  text-align: left;
  display: flex;
  align-items: center;
  gap: 0.4rem;
  cursor: pointer;
  &[data-focus-visible] {
    outline: 3px solid var(--chalk);
  }
  svg {
    flex: none;
  }
  &[aria-expanded="true"] svg {
    transform: rotate(90deg);
  }
`;

const Title = styled(Heading)`
  font-family: inherit;
  font-size: 1rem;
  margin: 0;
`;

/** More of something, made and opened on demand. */
export function Disclosure(props: { title: string; children: ReactNode; isOpenAtFirst?: boolean }) {
  const [isOpen, setIsOpen] = useState(props.isOpenAtFirst ?? false);
  return (
    <Box isExpanded={isOpen} onExpandedChange={setIsOpen}>
      <Title level={3}>
        <Trigger slot="trigger">
          <ChevronRight size={18} aria-hidden />
          {props.title}
        </Trigger>
      </Title>
      <DisclosurePanel>{isOpen && props.children}</DisclosurePanel>
    </Box>
  );
}
