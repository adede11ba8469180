import { listCrew, requestCrewDeed } from "@/server/accounts";
import { answerChange, answerRead, withAccounts } from "@/server/door";

/** Who is in the crew, and who is invited. */
export function GET(request: Request) {
  return answerRead(request, withAccounts(listCrew));
}

export function POST(request: Request) {
  return answerChange(request, withAccounts(requestCrewDeed));
}
