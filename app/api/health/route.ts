import { answerHealth } from "@/server/door";

export const dynamic = "force-dynamic";

export const GET = () => answerHealth();
