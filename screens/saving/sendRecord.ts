import type { RecordKind, Stored } from "@/core/shoot/records";
import type { PendingSave, SendResult } from "./saveQueue";

const PATIENCE_MS = 10_000;
const headers = { "content-type": "application/json" };

interface Refusal {
  code?: string;
  message?: string;
  current?: Stored<RecordKind>;
}

/** Sends one change to the server and sorts the answer. */
export async function sendRecord({ kind, id, version, body }: PendingSave): Promise<SendResult> {
  let response: Response;
  try {
    response =
      version === null
        ? await fetch(`/api/records/${kind}`, {
            method: "POST",
            headers,
            body: JSON.stringify({ id, body }),
            signal: AbortSignal.timeout(PATIENCE_MS),
          })
        : await fetch(`/api/records/${kind}/${id}`, {
            method: "PUT",
            headers,
            body: JSON.stringify({ version, body }),
            signal: AbortSignal.timeout(PATIENCE_MS),
          });
  } catch {
    return { outcome: "away" };
  }
  const answer = (await response.json().catch(() => ({}))) as Refusal;
  if (response.ok) return { outcome: "saved", stored: answer as Stored<RecordKind> };
  if (response.status >= 500) return { outcome: "away" };
  if (answer.code === "stale" && answer.current) return { outcome: "stale", current: answer.current };
  return { outcome: "refused", message: answer.message ?? "The server refused this change." };
}

/** Deletes a record, or brings it back; throws with a sentence when that fails. */
export async function sendRemoval(
  kind: RecordKind,
  id: string,
  isRestoring: boolean,
): Promise<Stored<RecordKind> | null> {
  const response = await fetch(`/api/records/${kind}/${id}`, {
    method: isRestoring ? "POST" : "DELETE",
    headers,
    body: JSON.stringify(isRestoring ? { restore: true } : {}),
    signal: AbortSignal.timeout(PATIENCE_MS),
  }).catch(() => null);
  if (!response?.ok) throw new Error("The server is away: nothing was changed.");
  return isRestoring ? ((await response.json()) as Stored<RecordKind>) : null;
}
