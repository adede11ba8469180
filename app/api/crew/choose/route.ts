import { chooseCrew } from "@/server/accounts";
import { answerPerson } from "@/server/door";

/** Works in another of one's crews. */
export function POST(request: Request) {
  return answerPerson(request, (database, { id }, body) => chooseCrew(database, id, body));
}
