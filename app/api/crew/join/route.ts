import { join } from "@/server/accounts";
import { answerPerson } from "@/server/door";

/** Takes up an invitation. */
export function POST(request: Request) {
  return answerPerson(request, (database, { id }, body) => join(database, id, body));
}
