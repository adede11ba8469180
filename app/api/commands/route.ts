import { requestCommands } from "@/server/commands";
import { answerChange } from "@/server/door";

export function POST(request: Request) {
  return answerChange(request, requestCommands);
}
