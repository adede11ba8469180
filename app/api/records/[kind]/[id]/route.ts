import { answerChange } from "@/server/door";
import { requestChange, requestRemove, requestRestore } from "@/server/recordRequests";

interface Context {
  params: Promise<{ kind: string; id: string }>;
}

export async function PUT(request: Request, context: Context) {
  const { kind, id } = await context.params;
  return answerChange(request, (acting, body) => requestChange(acting, kind, id, body));
}

export async function DELETE(request: Request, context: Context) {
  const { kind, id } = await context.params;
  return answerChange(request, (acting) => requestRemove(acting, kind, id));
}

export async function POST(request: Request, context: Context) {
  const { kind, id } = await context.params;
  return answerChange(request, (acting, body) => requestRestore(acting, kind, id, body));
}
