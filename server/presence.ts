/** A page that is open somewhere: of which crew, whose, and which process its line ends at. */
export interface Here {
  crewId: string;
  page: string;
  name: string;
  process: string;
  /** What is open on it, in the page's own words; left out where that has not changed. */
  at?: string;
}

/** Somebody's page, and what is open on it. */
export interface PersonHere {
  page: string;
  name: string;
  at: string;
}

/** Processes say so often that they are here, for all their pages, ms. */
export const SAY_EVERY_MS = 10_000;
/** One that has not said so for this long was killed, and its pages with it, ms. */
const GONE_MS = 25_000;

interface Seen {
  name: string;
  at: string;
  process: string;
}

/** Who is here, as one process knows it from what all processes say. Times in ms of one clock. */
export function makePresence() {
  const crews = new Map<string, Map<string, Seen>>();
  const heardMs = new Map<string, number>();
  const pagesOf = (crewId: string) => crews.get(crewId) ?? new Map<string, Seen>();

  function forget(crewId: string, page: string): void {
    pagesOf(crewId).delete(page);
    if (pagesOf(crewId).size === 0) crews.delete(crewId);
  }

  return {
    /** The line of a page has ended at a process; true where the page was there, and has not come back at another. */
    gone({ crewId, page, process }: Pick<Here, "crewId" | "page" | "process">): boolean {
      if (pagesOf(crewId).get(page)?.process !== process) return false;
      forget(crewId, page);
      return true;
    },
    /** A page said that it is here; true where that is news. */
    here({ crewId, page, name, process, at }: Here, nowMs: number): boolean {
      const pages = pagesOf(crewId);
      const known = pages.get(page);
      const now = { name, process, at: at ?? known?.at ?? "" };
      pages.set(page, now);
      crews.set(crewId, pages);
      heardMs.set(process, nowMs);
      return known?.name !== now.name || known.at !== now.at;
    },
    /** What is open on a page that is here; true where that is news. */
    place(crewId: string, page: string, at: string): boolean {
      const known = pagesOf(crewId).get(page);
      if (!known || known.at === at) return false;
      pagesOf(crewId).set(page, { ...known, at });
      return true;
    },
    /** Forgets everybody: what was said meanwhile was not heard. */
    clear(): void {
      crews.clear();
      heardMs.clear();
    },
    /** A process said that it and its pages are here. */
    alive(process: string, nowMs: number): void {
      heardMs.set(process, nowMs);
    },
    /** Forgets the pages of processes that have not been heard for long; the crews in which there were any. */
    sweep(nowMs: number): string[] {
      const silent = new Set([...heardMs].filter(([, atMs]) => nowMs - atMs > GONE_MS).map(([process]) => process));
      if (silent.size === 0) return [];
      const changed: string[] = [];
      for (const [crewId, pages] of [...crews]) {
        const lost = [...pages].filter(([, { process }]) => silent.has(process));
        for (const [page] of lost) forget(crewId, page);
        if (lost.length > 0) changed.push(crewId);
      }
      for (const process of silent) heardMs.delete(process);
      return changed;
    },
    /** Names of a crew's people who are here, how many pages are open, and what is open on those that say so. */
    of(crewId: string): { pages: number; names: string[]; people: PersonHere[] } {
      const pages = [...pagesOf(crewId)];
      return {
        pages: pages.length,
        names: [...new Set(pages.map(([, { name }]) => name))].sort((a, b) => a.localeCompare(b)),
        people: pages.filter(([, { at }]) => at !== "").map(([page, { name, at }]) => ({ page, name, at })),
      };
    },
  };
}
