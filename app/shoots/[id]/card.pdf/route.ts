import { cardPdf } from "@/screens/dress/cardPdf";
import { actingCrew } from "@/server/door";
import { Fault } from "@/server/faults";
import { loadShoot } from "@/server/records";

/** The card of one wearer in one scene on one A4 page. */
export async function GET(request: Request, context: { params: Promise<{ id: string }> }) {
  const query = new URL(request.url).searchParams;
  try {
    const bundle = await loadShoot(await actingCrew(), (await context.params).id);
    const pdf = await cardPdf(bundle, query.get("wearer"), query.get("scene"));
    if (!pdf) return new Response("There is nobody to make a card for.", { status: 404 });
    return new Response(new Uint8Array(pdf), {
      headers: { "content-type": "application/pdf", "content-disposition": 'inline; filename="card.pdf"' },
    });
  } catch (error) {
    if (error instanceof Fault && error.code === "missing") return new Response(error.message, { status: 404 });
    throw error;
  }
}
