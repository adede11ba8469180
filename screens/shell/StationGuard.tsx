"use client";

import type { ReactNode } from "react";
import { ErrorBoundary, type FallbackProps } from "react-error-boundary";
import { useAddress } from "@/ui/address";
import { Button } from "@/ui/Button";
import { Disclosure } from "@/ui/Disclosure";
import { Lead, Row, Stack } from "@/ui/layout";

/** What a browser says when a file of the application does not come. */
const NOT_LOADED = /loading chunk|dynamically imported module|module script|failed to fetch|could not be loaded/i;

function Broken({ title, error, resetErrorBoundary }: FallbackProps & { title: string }) {
  const message = error instanceof Error ? error.message : String(error);
  const isMissing = NOT_LOADED.test(message);
  return (
    <Stack role="alert">
      <h1>{isMissing ? `${title} is not on this device yet` : `${title} could not be shown`}</h1>
      <Lead>
        {isMissing
          ? "It comes with the next signal. What was opened before still works."
          : "Nothing you entered is lost, and the other stations still work."}
      </Lead>
      <Row>
        <Button look="main" onPress={resetErrorBoundary}>
          Try again
        </Button>
        {!isMissing && <Button onPress={() => window.location.reload()}>Reload the page</Button>}
      </Row>
      <Disclosure title="What happened">
        <p>{message}</p>
      </Disclosure>
    </Stack>
  );
}

/** A station that fails says so in its own place: the frame and the other stations stay. Another address tries anew. */
export function StationGuard({ title, children }: { title: string; children: ReactNode }) {
  const { path, query } = useAddress();
  return (
    <ErrorBoundary resetKeys={[path, query.toString()]} fallbackRender={(props) => <Broken title={title} {...props} />}>
      {children}
    </ErrorBoundary>
  );
}
