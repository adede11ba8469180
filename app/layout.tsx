import type { Metadata, Viewport } from "next";
import { cookies, headers } from "next/headers";
import type { ReactNode } from "react";
import "@fontsource-variable/fraunces/index.css";
import "@fontsource-variable/work-sans/index.css";
import { Toasts } from "@/ui/toasts";
import { StyleRegistry } from "./StyleRegistry";

export const metadata: Metadata = {
  title: { default: "Hypophon", template: "%s · Hypophon" },
  description: "Plans and proves clean dialogue on location.",
  icons: { icon: "/favicon.svg" },
};

export const viewport: Viewport = { width: "device-width", initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get("x-nonce") ?? "";
  const ground = (await cookies()).get("ground")?.value === "dark" ? "dark" : "day";
  return (
    <html lang="en" data-ground={ground} suppressHydrationWarning>
      <head>
        {/* Libraries that add style elements in the browser take the nonce from here. */}
        <meta property="csp-nonce" nonce={nonce} />
      </head>
      <body>
        <StyleRegistry nonce={nonce}>
          {children}
          <Toasts />
        </StyleRegistry>
      </body>
    </html>
  );
}
