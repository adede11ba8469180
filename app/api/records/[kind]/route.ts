import { answerChange } from "@/server/door";
import { requestCreate } from "@/server/recordRequests";

export async function POST(request: Request, context: { params: Promise<{ kind: string }> }) {
  const { kind } = await context.params;
  return answerChange(request, (acting, body) => requestCreate(acting, kind, body));
}
