import { actingCrew } from "@/server/door";

export const dynamic = "force-dynamic";

export async function GET() {
  try {
    await actingCrew();
    return Response.json({ ok: true });
  } catch {
    return Response.json({ ok: false }, { status: 503 });
  }
}
