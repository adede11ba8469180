import { answerChange } from "@/server/door";
import { makeTalentLink } from "@/server/shared";

/** A link by which a talent sees their placement and answers. */
export function POST(request: Request) {
  return answerChange(request, makeTalentLink);
}
