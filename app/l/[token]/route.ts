import { sheetPdf } from "@/screens/day/sheetPdf";
import { answerSharedDocument } from "@/server/door";
import { openSheet } from "@/server/shared";

/** The sheet of a link, as it is now; for a phone where it is asked for. */
export async function GET(request: Request, context: { params: Promise<{ token: string }> }) {
  const { token } = await context.params;
  const size = new URL(request.url).searchParams.get("size") === "phone" ? "phone" : "a4";
  return answerSharedDocument(request, "application/pdf", "sheet.pdf", async (database) =>
    sheetPdf(await openSheet(database, token), size),
  );
}
