import { answerRead } from "@/server/door";
import { listShoots } from "@/server/records";

/** The crew's shoots, and those in the bin. */
export function GET(request: Request) {
  return answerRead(request, listShoots);
}
