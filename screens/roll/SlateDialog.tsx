"use client";

import { X } from "lucide-react";
import { useEffect, useRef } from "react";
import { Dialog, Modal, ModalOverlay } from "react-aria-components";
import styled from "styled-components";
import { isDropRate, timecodeAt } from "@/core/timecode";
import { Button } from "@/ui/Button";
import type { Rolling } from "./useRolling";

const Overlay = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  z-index: 60;
`;

/** White on black in any ground: a camera reads it in sun and in the dark. */
const Face = styled.div`
  position: fixed;
  inset: 0;
  background: #000;
  color: #fff;
  display: grid;
  grid-template-rows: auto 1fr auto;
  padding: clamp(0.8rem, 3vw, 2rem);
  gap: 1rem;
  &[data-flash] {
    background: #fff;
    color: #000;
  }
  dl {
    display: grid;
    grid-template-columns: repeat(3, minmax(0, 1fr));
    gap: 0.6rem 1.2rem;
    margin: 0;
    align-content: center;
    @media (max-width: 600px) {
      grid-template-columns: repeat(2, minmax(0, 1fr));
    }
  }
  dt {
    font-size: clamp(0.9rem, 2.4vw, 1.4rem);
    opacity: 0.75;
  }
  dd {
    margin: 0;
    font-size: clamp(1.6rem, 7vw, 4.6rem);
    font-weight: 600;
    line-height: 1.1;
    overflow-wrap: anywhere;
  }
`;

const Clock = styled.p`
  text-align: center;
  font-size: clamp(2rem, 11vw, 7rem);
  font-weight: 600;
  font-variant-numeric: tabular-nums;
  line-height: 1;
`;

const Hit = styled(Button)`
  min-height: 92px;
  flex: 1;
  font-size: 1.5rem;
`;

const Bottom = styled.div`
  display: flex;
  gap: 0.6rem;
`;

/** A burst that is one peak in the sound: 2 ms of 1 kHz. */
function click(context: AudioContext): void {
  const source = context.createBufferSource();
  const frames = Math.round(context.sampleRate * 0.002);
  const buffer = context.createBuffer(1, frames, context.sampleRate);
  const samples = buffer.getChannelData(0);
  for (let at = 0; at < frames; at += 1) samples[at] = Math.sin((2 * Math.PI * 1000 * at) / context.sampleRate);
  source.buffer = buffer;
  source.connect(context.destination);
  source.start();
}

/** So long the picture is white, ms: three frames of a camera at least. */
const FLASH_MS = 120;

/** The clock of the slate, drawn with the picture. */
function RunningCode({ frameRate }: { frameRate: number }) {
  const text = useRef<HTMLParagraphElement>(null);
  useEffect(() => {
    let frame = 0;
    const draw = () => {
      const now = new Date();
      const seconds = (now.getHours() * 60 + now.getMinutes()) * 60 + now.getSeconds() + now.getMilliseconds() / 1000;
      if (text.current) text.current.textContent = timecodeAt(seconds, frameRate, isDropRate(frameRate));
      frame = requestAnimationFrame(draw);
    };
    frame = requestAnimationFrame(draw);
    return () => cancelAnimationFrame(frame);
  }, [frameRate]);
  return <Clock ref={text} aria-label="Clock" />;
}

/** The slate: what is rolled, for the camera; a flash and a click in the same frame, kept as a mark. */
export function SlateDialog({ rolling, onClose }: { rolling: Rolling; onClose: () => void }) {
  const { bundle, scene, running } = rolling;
  const face = useRef<HTMLDivElement>(null);
  const sound = useRef<AudioContext | null>(null);
  useEffect(
    () => () => {
      void sound.current?.close();
    },
    [],
  );
  const { frameRate } = bundle.shoot.body;
  const facts = running?.body ?? { slate: rolling.slate, take: rolling.take, day: rolling.day };
  const strike = (isEnd: boolean) => {
    sound.current ??= new AudioContext();
    const context = sound.current;
    void context.resume();
    // Light and sound begin in one frame of the picture.
    requestAnimationFrame(() => {
      click(context);
      face.current?.setAttribute("data-flash", "");
      setTimeout(() => face.current?.removeAttribute("data-flash"), FLASH_MS);
      rolling.markNow(isEnd ? "endSlate" : "slate", null, "slate");
    });
  };
  return (
    <Overlay isOpen onOpenChange={(isOpen) => !isOpen && onClose()}>
      <Modal>
        <Dialog aria-label="Slate">
          <Face ref={face}>
            <RunningCode frameRate={frameRate} />
            <dl>
              {(
                [
                  ["Slate", facts.slate || "–"],
                  ["Take", String(facts.take)],
                  ["Day", String(facts.day)],
                  ["Scene", scene?.body.title ?? "–"],
                  ["Frames a second", String(frameRate)],
                  ["Shoot", bundle.shoot.body.title],
                ] as const
              ).map(([what, value]) => (
                <div key={what}>
                  <dt>{what}</dt>
                  <dd>{value}</dd>
                </div>
              ))}
            </dl>
            <Bottom>
              <Hit look="main" isDisabled={!running} onPress={() => strike(false)}>
                {running ? "Strike" : "Start the take first"}
              </Hit>
              {running && <Hit onPress={() => strike(true)}>End slate</Hit>}
              <Button aria-label="Close the slate" onPress={onClose}>
                <X size={24} aria-hidden />
              </Button>
            </Bottom>
          </Face>
        </Dialog>
      </Modal>
    </Overlay>
  );
}
