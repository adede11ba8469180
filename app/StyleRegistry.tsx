"use client";

import { useServerInsertedHTML } from "next/navigation";
import { useState, type ReactNode } from "react";
import { ServerStyleSheet, StyleSheetManager } from "styled-components";
import { GlobalStyle } from "@/ui/theme";

/** Collects styles on the server and sends them with the page, under the request's nonce. */
export function StyleRegistry({ nonce, children }: { nonce: string; children: ReactNode }) {
  const [sheet] = useState(() => new ServerStyleSheet());
  useServerInsertedHTML(() => {
    const css = sheet.getStyleTags().replace(/<style[^>]*>|<\/style>/g, "");
    sheet.instance.clearTag();
    if (css.trim() === "") return null;
    return <style nonce={nonce} data-styled="active" dangerouslySetInnerHTML={{ __html: css }} />;
  });
  const content = (
    <>
      <GlobalStyle />
      {children}
    </>
  );
  if (typeof window !== "undefined") return content;
  return <StyleSheetManager sheet={sheet.instance}>{content}</StyleSheetManager>;
}
