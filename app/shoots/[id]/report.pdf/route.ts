import { reportPdf } from "@/screens/roll/reportPdf";
import { answerDocument } from "@/server/door";
import { loadShoot } from "@/server/records";

/** The sound report of a day, or of all days, on A4 or for a phone. */
export async function GET(request: Request, context: { params: Promise<{ id: string }> }) {
  const query = new URL(request.url).searchParams;
  const day = /^\d{1,3}$/.test(query.get("day") ?? "") ? Number(query.get("day")) : 0;
  return answerDocument(request, "application/pdf", "report.pdf", async (acting) => {
    const bundle = await loadShoot(acting, (await context.params).id);
    return reportPdf(bundle, day === 0 ? null : day, query.get("size") === "phone" ? "phone" : "a4");
  });
}
