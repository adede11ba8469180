import { benchPage } from "./benchPage";
import { benchVisits } from "./benchVisits";
import { withDemo } from "./demoServer";
import { DEMO_SHOOT_ID } from "../../demo/recordings";

/** Prints what a production build loads, how quickly its screens open, answer and save, and what a page does meanwhile. */
export async function benchWeb(args: readonly string[] = []): Promise<number> {
  let isGood = true;
  await withDemo(async (address, url) => {
    if (!args.includes("--page") && !(await benchVisits(address, url, DEMO_SHOOT_ID))) isGood = false;
    if (!args.includes("--visits") && !(await benchPage(address))) isGood = false;
  });
  process.stdout.write(isGood ? "all within their limits\n" : "something is beyond its limit: see docs/figures.md\n");
  return isGood ? 0 : 1;
}
