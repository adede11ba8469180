import { airProblem, type WantedLink } from "./airProblem";
import type { AirRules } from "./airRules";
import { coordinator, type Coordinator } from "./coordinate";

/** What the links of one system may be tuned to if it uses one of its banks. */
export interface BankOption {
  bank: string;
  choicesMHz: readonly number[];
}

/** A system with banks, and the banks that have a free channel, the most promising first. */
export interface BankedSystem {
  systemId: string;
  options: readonly BankOption[];
}

/** One bank for each system that has some, and the links with the channels that leaves them. */
export interface BankChoice {
  banks: readonly (readonly [systemId: string, bank: string])[];
  links: readonly WantedLink[];
}

/** Most choices of banks that are looked at, and most places of the air they hold in memory together. */
const MOST_CHOICES = 64;
const MOST_PLACES = 8_000_000;

/**
 * Choices of banks, one for each system, the most promising first; not every choice there is where there are too many.
 * Links of systems without banks are the same in each.
 */
export function bankChoices(
  links: readonly WantedLink[],
  systems: readonly BankedSystem[],
): { choices: readonly BankChoice[]; isEvery: boolean } {
  const used = systems.filter(({ systemId }) => links.some((link) => link.systemId === systemId));
  let ways: { rank: number; options: readonly BankOption[] }[] = [{ rank: 0, options: [] }];
  let isEvery = true;
  const places = links.reduce((sum, { choicesMHz, moments }) => sum + choicesMHz.length * bitCount(moments), 0);
  const most = Math.max(1, Math.min(MOST_CHOICES, Math.floor(MOST_PLACES / Math.max(1, places))));
  for (const { options } of used) {
    ways = ways
      .flatMap((way) => options.map((option, rank) => ({ rank: way.rank + rank, options: [...way.options, option] })))
      .sort((one, other) => one.rank - other.rank);
    if (ways.length > most) {
      isEvery = false;
      ways.length = most;
    }
  }
  const choices = ways.map(({ options }): BankChoice => {
    const choicesOf = new Map(used.map(({ systemId }, index) => [systemId, options[index]!.choicesMHz]));
    return {
      banks: used.map(({ systemId }, index) => [systemId, options[index]!.bank] as const),
      links: links.map((link) => ({ ...link, choicesMHz: choicesOf.get(link.systemId) ?? link.choicesMHz })),
    };
  });
  return { choices, isEvery };
}

function bitCount(bits: number): number {
  let count = 0;
  for (let rest = bits; rest !== 0; rest &= rest - 1) count += 1;
  return count;
}

/** A search through several choices of banks at once. */
export interface BankCoordinator extends Coordinator {
  /** The choice that the best set is tuned to. */
  choice(): BankChoice;
}

/** Rounds that one choice of banks is searched before it is the next one's turn. */
const TURN = 20;

/**
 * Searches all choices of banks in turn for the one in which most links find a frequency; of those alike the first.
 * What is proved is proved only where `isEvery` choice there is is among them. A round is a round in one choice.
 */
export function bankCoordinator(
  choices: readonly BankChoice[],
  isEvery: boolean,
  rules: AirRules,
  seed: number,
): BankCoordinator {
  const searches: Coordinator[] = [];
  const searchOf = (index: number) => (searches[index] ??= coordinator(airProblem(choices[index]!.links, rules), seed));
  let best = 0;
  let turn = 0;
  let turnLeft = TURN;
  /** Whether a choice may still give more than the best. */
  const isOpen = (index: number) => {
    const search = searchOf(index);
    return !search.isComplete() && search.most() > searchOf(best).placed();
  };
  const openChoice = () => {
    for (let tried = 0; tried < choices.length; tried += 1, turn = (turn + 1) % choices.length, turnLeft = TURN)
      if (isOpen(turn)) return turn;
    return null;
  };
  const isEnded = () => choices.every((_, index) => !isOpen(index));
  const isWhole = () => searchOf(best).placed() === searchOf(best).wanted;
  return {
    wanted: searchOf(0).wanted,
    placed: () => searchOf(best).placed(),
    most: () => Math.max(...choices.map((_, index) => searchOf(index).most())),
    best: () => searchOf(best).best(),
    choice: () => choices[best]!,
    isComplete: () => isWhole() || isEnded(),
    isProved: () => isEvery && !isWhole() && isEnded(),
    search(rounds) {
      for (let left = rounds; left > 0 && !isWhole();) {
        const index = openChoice();
        if (index === null) return;
        const share = Math.min(left, turnLeft);
        searchOf(index).search(share);
        left -= share;
        turnLeft -= share;
        if (searchOf(index).placed() > searchOf(best).placed()) best = index;
        if (turnLeft === 0) [turn, turnLeft] = [(turn + 1) % choices.length, TURN];
      }
    },
  };
}
