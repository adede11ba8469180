import { answerChange, answerRead } from "@/server/door";
import { demoSamples, reopenDemoShoot } from "@/server/demoShoot";

/** Recordings that come with the demo shoot. */
export function GET(request: Request) {
  return answerRead(request, () => Promise.resolve(demoSamples()));
}

export function POST(request: Request) {
  return answerChange(request, async (acting) => ({ id: await reopenDemoShoot(acting) }));
}
