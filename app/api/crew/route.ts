import { listCrew, requestCrewDeed } from "@/server/accounts";
import { answerChange, answerRead } from "@/server/door";

/** Who is in the crew, and who is invited. */
export function GET(request: Request) {
  return answerRead(request, listCrew);
}

export function POST(request: Request) {
  return answerChange(request, requestCrewDeed);
}
