import { answerHere } from "@/server/door";

/** A page says what is open on it. */
export function POST(request: Request) {
  return answerHere(request);
}
