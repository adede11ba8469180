import { answerEvents } from "@/server/door";

export const dynamic = "force-dynamic";

/** Tells a page what others change, as long as it listens. */
export function GET(request: Request) {
  return answerEvents(request);
}
