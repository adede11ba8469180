import { answerChange, answerRead } from "@/server/door";
import { listLinks, requestLinkDeed } from "@/server/shared";

/** Links of a shoot that hold. */
export function GET(request: Request) {
  const shootId = new URL(request.url).searchParams.get("shoot");
  return answerRead(request, (acting) => listLinks(acting, shootId));
}

export function POST(request: Request) {
  return answerChange(request, requestLinkDeed);
}
