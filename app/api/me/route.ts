import { requestMe } from "@/server/accounts";
import { answerRead } from "@/server/door";

/** Who acts here. */
export function GET(request: Request) {
  return answerRead(request, requestMe);
}
