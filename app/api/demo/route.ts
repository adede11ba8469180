import { answerChange } from "@/server/door";
import { reopenDemoShoot } from "@/server/demoShoot";

export function POST(request: Request) {
  return answerChange(request, async (acting) => ({ id: await reopenDemoShoot(acting) }));
}
