import type { Message } from "../message";

/** What a power bank does: what it feeds, and when it is empty. Null: nothing. */
export type BankUse = { feeds: readonly string[]; emptyAtMin: number | null } | null;

interface Lasting {
  name: string;
  hours: number;
  bank: BankUse;
}

/** What is said about batteries over a day. Times are minutes after midnight. */
export type PowerCatalogue = {
  "power.oneSet": Lasting;
  "power.change": Lasting & { swaps: readonly { title: string; atMin: number }[] };
  /** A use is longer than a set: what helps, and when it is changed all the same. */
  "power.tooShort": Lasting & {
    use: string;
    swaps: readonly { title: string; atMin: number }[];
    helps: "mainsOrBank" | "mainsOrLargerBank" | "strongerCells";
  };
};
export type PowerMessage = Message<PowerCatalogue>;
