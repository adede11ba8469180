import { answerRead } from "@/server/door";
import { requestTakeDetails } from "@/server/requests";

/** All that was measured of some takes. */
export function GET(request: Request) {
  return answerRead(request, (acting) => requestTakeDetails(acting, new URL(request.url).searchParams.get("of")));
}
