/** Nothing that a browser does for calls: no echo cancelling, no noise suppression, no automatic gain. */
export const PLAIN_SOUND = { echoCancellation: false, noiseSuppression: false, autoGainControl: false } as const;

/** Why a page without a certificate gets no microphone. */
export const NOT_SECURE = "Browsers give the microphone only to pages on https or on this machine itself (localhost).";

/** Why the microphone could not be had, and what to do. */
export function refusalOf(error: unknown): string {
  const name = error instanceof DOMException ? error.name : "";
  if (name === "NotAllowedError")
    return "The browser may not use the microphone. Allow it for this page, then try again.";
  if (name === "NotFoundError" || name === "OverconstrainedError")
    return "There is no microphone. Plug one in, or drop a recording instead.";
  return "The microphone could not be opened: is another program using it?";
}

/** What the browser would not switch off; empty where it left the sound alone. */
export function changesOf(track: MediaStreamTrack): string[] {
  const { echoCancellation, noiseSuppression, autoGainControl } = track.getSettings();
  return [
    ...(echoCancellation ? ["echo cancelling"] : []),
    ...(noiseSuppression ? ["noise suppression"] : []),
    ...(autoGainControl ? ["automatic gain"] : []),
  ];
}
