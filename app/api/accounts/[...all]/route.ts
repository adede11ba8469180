import { answerAccounts } from "@/server/door";

export const GET = answerAccounts;
export const POST = answerAccounts;
