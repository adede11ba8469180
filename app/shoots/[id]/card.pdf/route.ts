import { cardPdf } from "@/screens/dress/cardPdf";
import { answerDocument } from "@/server/door";
import { loadShoot } from "@/server/records";

/** The card of one wearer in one scene on one A4 page. */
export async function GET(request: Request, context: { params: Promise<{ id: string }> }) {
  const query = new URL(request.url).searchParams;
  return answerDocument(request, "application/pdf", "card.pdf", async (acting) => {
    const bundle = await loadShoot(acting, (await context.params).id);
    return cardPdf(bundle, query.get("wearer"), query.get("scene"));
  });
}
