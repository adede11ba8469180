import { demoRecordingBytes } from "@/server/demoShoot";

export async function GET(_request: Request, context: { params: Promise<{ file: string }> }) {
  const { file } = await context.params;
  try {
    const bytes = await demoRecordingBytes(file);
    return new Response(bytes, { headers: { "content-type": file.endsWith(".mp4") ? "video/mp4" : "audio/wav" } });
  } catch {
    return new Response("There is no such recording.", { status: 404 });
  }
}
