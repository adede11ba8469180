import { answerRead } from "@/server/door";
import { requestHistory } from "@/server/requests";

/** What was changed in a shoot, by whom and when. */
export function GET(request: Request) {
  const query = new URL(request.url).searchParams;
  return answerRead(request, (acting) => requestHistory(acting, query.get("shoot"), query.get("before")));
}
