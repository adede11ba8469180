"use client";

import { create } from "qrcode";
import { Button } from "@/ui/Button";
import { Soft, Stack } from "@/ui/layout";
import { showToast } from "@/ui/toasts";

/** A code of squares as one path: each dark module a square of one unit. */
function pathOf(text: string): { path: string; size: number } {
  const { data, size } = create(text, { errorCorrectionLevel: "M" }).modules;
  let path = "";
  for (let at = 0; at < size * size; at += 1) if (data[at]) path += `M${at % size} ${Math.floor(at / size)}h1v1h-1z`;
  return { path, size };
}

/** A text as a code to scan. */
export function QrCode({ text, label }: { text: string; label: string }) {
  const { path, size } = pathOf(text);
  return (
    <svg
      viewBox={`-4 -4 ${size + 8} ${size + 8}`}
      width={240}
      height={240}
      role="img"
      aria-label={label}
      shapeRendering="crispEdges"
    >
      <rect x={-4} y={-4} width={size + 8} height={size + 8} fill="#fff" />
      <path d={path} fill="#000" />
    </svg>
  );
}

/** A link to send, or to scan from this screen. */
export function LinkCode({ link, says }: { link: string; says: string }) {
  const copy = () =>
    void navigator.clipboard.writeText(link).then(
      () => showToast({ says: "Link copied." }),
      () => showToast({ says: "This browser does not copy: mark the link and copy it." }),
    );
  return (
    <Stack>
      <QrCode text={link} label="The link as a QR code" />
      <code style={{ overflowWrap: "anywhere" }}>{link}</code>
      <Soft>{says}</Soft>
      <Button look="main" onPress={copy}>
        Copy link
      </Button>
    </Stack>
  );
}
