import { showToast } from "@/ui/toasts";

/** One of the recordings that ship with the demo shoot; null, and said so, when the server is away. */
export async function fetchDemoRecording(file: string): Promise<File | null> {
  const response = await fetch(`/demo-recordings/${file}`).catch(() => null);
  if (response?.ok) return new File([await response.blob()], file);
  showToast({ says: "The server is away: the demo's recording could not be fetched." });
  return null;
}
