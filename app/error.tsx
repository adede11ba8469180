"use client";

import { Button } from "@/ui/Button";

export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  return (
    <main role="alert">
      <h1>This page could not be put together</h1>
      <p>The database may be away. What you typed is kept on this device.</p>
      <Button onPress={reset}>Try again</Button>
    </main>
  );
}
