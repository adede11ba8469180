import { answerShared } from "@/server/door";
import { answerTalentLink, openTalentLink } from "@/server/shared";

/** What a talent's link shows. */
export function GET(request: Request) {
  return answerShared(request, (database) => openTalentLink(database, new URL(request.url).searchParams.get("token")));
}

/** The talent's own answer. */
export function POST(request: Request) {
  return answerShared(request, answerTalentLink);
}
