import { crewFile } from "@/server/accounts/crewFile";
import { answerDocument } from "@/server/door";

/** All that is kept of the crew, as a file. */
export function GET(request: Request) {
  return answerDocument(request, "application/json", "crew.json", crewFile);
}
