/** A page that is open somewhere: of which crew, and whose. */
export interface Here {
  crewId: string;
  page: string;
  name: string;
  /** What is open on it, in the page's own words; left out where that has not changed. */
  at?: string;
}

/** Somebody's page, and what is open on it. */
export interface PersonHere {
  page: string;
  name: string;
  at: string;
}

/** Pages say so often that they are here, ms. */
export const SAY_EVERY_MS = 10_000;
/** One that has not said so for this long is gone: its process was killed, or its line broke, ms. */
const GONE_MS = 25_000;

interface Seen {
  name: string;
  at: string;
  atMs: number;
}

/** Who is here, as one process knows it from what all processes say. Times in ms of one clock. */
export function makePresence() {
  const crews = new Map<string, Map<string, Seen>>();
  const pagesOf = (crewId: string) => crews.get(crewId) ?? new Map<string, Seen>();

  return {
    /** A page said that it is here; true where that is news. */
    here({ crewId, page, name, at }: Here, nowMs: number): boolean {
      const pages = pagesOf(crewId);
      const known = pages.get(page);
      const now = { name, at: at ?? known?.at ?? "", atMs: nowMs };
      pages.set(page, now);
      crews.set(crewId, pages);
      return known?.name !== now.name || known.at !== now.at;
    },
    /** A page has left; true where it was here. */
    gone(crewId: string, page: string): boolean {
      const was = pagesOf(crewId).delete(page);
      if (pagesOf(crewId).size === 0) crews.delete(crewId);
      return was;
    },
    /** Forgets the pages of a crew that have not been heard for long; true where there were any. */
    sweep(crewId: string, nowMs: number): boolean {
      let hasLeft = false;
      for (const [page, { atMs }] of [...pagesOf(crewId)])
        if (nowMs - atMs > GONE_MS) hasLeft = this.gone(crewId, page) || hasLeft;
      return hasLeft;
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
