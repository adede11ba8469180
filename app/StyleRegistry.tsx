"use client";

import { useServerInsertedHTML } from "next/navigation";
import { useState, type ReactNode } from "react";
import { I18nProvider } from "react-aria-components";
import { ServerStyleSheet, StyleSheetManager } from "styled-components";
import { GlobalStyle } from "@/ui/theme";

declare global {
  var __webpack_nonce__: string | undefined;
}

/** Where libraries look for a nonce when a page is put together in the browser alone. */
function tellLibraries(nonce: string): void {
  globalThis.__webpack_nonce__ ??= nonce;
}

/** Collects styles on the server and sends them with the page, under the request's nonce. */
export function StyleRegistry({ nonce, children }: { nonce: string; children: ReactNode }) {
  const [sheet] = useState(() => new ServerStyleSheet());
  // The document's policy knows the nonce it came with, not those of later requests.
  const [firstNonce] = useState(() => {
    if (typeof window !== "undefined") tellLibraries(nonce);
    return nonce;
  });
  useServerInsertedHTML(() => {
    const css = sheet.getStyleTags().replace(/<style[^>]*>|<\/style>/g, "");
    sheet.instance.clearTag();
    if (css.trim() === "") return null;
    return <style nonce={nonce} data-styled="active" dangerouslySetInnerHTML={{ __html: css }} />;
  });
  const content = (
    <>
      <GlobalStyle />
      <I18nProvider locale="en-US">{children}</I18nProvider>
    </>
  );
  if (typeof window !== "undefined") {
    return <StyleSheetManager nonce={firstNonce}>{content}</StyleSheetManager>;
  }
  return <StyleSheetManager sheet={sheet.instance}>{content}</StyleSheetManager>;
}
