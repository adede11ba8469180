import { answerRead } from "@/server/door";
import { requestChanges } from "@/server/requests";

/** What of a shoot changed after a number of a change. */
export async function GET(request: Request, context: { params: Promise<{ id: string }> }) {
  const { id } = await context.params;
  return answerRead(request, (acting) => requestChanges(acting, id, new URL(request.url).searchParams.get("since")));
}
