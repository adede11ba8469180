import fc from "fast-check";
import { makePresence } from "./presence";

const CREW = "a";
const process = "p";

test("who is here is told once, by name, however many pages they have open", () => {
  const presence = makePresence();
  expect(presence.here({ crewId: CREW, page: "1", name: "Olin", process }, 0)).toBe(true);
  expect(presence.here({ crewId: CREW, page: "1", name: "Olin", process }, 10_000)).toBe(false);
  expect(presence.here({ crewId: CREW, page: "2", name: "Olin", process }, 10_000)).toBe(true);
  expect(presence.here({ crewId: CREW, page: "3", name: "Asta", process }, 10_000)).toBe(true);
  expect(presence.of(CREW)).toEqual({ pages: 3, names: ["Asta", "Olin"], people: [] });
});

test("what is open on a page is told when it changes, and kept while the page only says that it is here", () => {
  const presence = makePresence();
  const asta = { crewId: CREW, page: "1", name: "Asta", process };
  expect(presence.here({ ...asta, at: "shoot dress ines" }, 0)).toBe(true);
  expect(presence.here(asta, 1)).toBe(false);
  expect(presence.of(CREW).people).toEqual([{ page: "1", name: "Asta", at: "shoot dress ines" }]);
  expect(presence.place(CREW, "1", "shoot roll ")).toBe(true);
  expect([presence.place(CREW, "1", "shoot roll "), presence.place(CREW, "9", "shoot roll ")]).toEqual([false, false]);
  presence.here({ crewId: CREW, page: "2", name: "Olin", process }, 2);
  expect(presence.of(CREW).people).toEqual([{ page: "1", name: "Asta", at: "shoot roll " }]);
  presence.gone({ crewId: CREW, page: "1", process });
  expect(presence.of(CREW).people).toEqual([]);
});

test("whoever leaves is gone at once; whoever says nothing any more is gone after a while", () => {
  const presence = makePresence();
  presence.here({ crewId: CREW, page: "1", name: "Olin", process }, 0);
  presence.here({ crewId: CREW, page: "2", name: "Asta", process }, 0);
  const gone = () => presence.gone({ crewId: CREW, page: "1", process });
  expect([gone(), gone()]).toEqual([true, false]);
  expect(presence.of(CREW).names).toEqual(["Asta"]);
});

test("a page that came back at another process stays when the first one notices that its line broke", () => {
  const presence = makePresence();
  const asta = { crewId: CREW, page: "1", name: "Asta" };
  presence.here({ ...asta, process: "first" }, 0);
  presence.here({ ...asta, process: "other" }, 0);
  expect(presence.gone({ crewId: CREW, page: "1", process: "first" })).toBe(false);
  expect(presence.of(CREW).names).toEqual(["Asta"]);
  expect(presence.gone({ crewId: CREW, page: "1", process: "other" })).toBe(true);
});

test("pages of a process that was killed are gone after a while; one word of it keeps all of them", () => {
  const presence = makePresence();
  presence.here({ crewId: CREW, page: "1", name: "Olin", process: "killed" }, 0);
  presence.here({ crewId: "b", page: "2", name: "Asta", process: "killed" }, 0);
  presence.here({ crewId: CREW, page: "3", name: "Ines", process: "lives" }, 0);
  presence.alive("lives", 20_000);
  expect(presence.sweep(25_000)).toEqual([]);
  expect(presence.sweep(25_001).sort()).toEqual([CREW, "b"]);
  expect([presence.of(CREW).names, presence.of("b").pages]).toEqual([["Ines"], 0]);
  expect(presence.sweep(45_000)).toEqual([]);
  expect(presence.sweep(45_001)).toEqual([CREW]);
});

test("crews do not see each other, whatever comes and goes (property)", () => {
  const crew = fc.constantFrom("a", "b");
  const page = fc.integer({ min: 1, max: 4 }).map(String);
  const deeds = fc.array(fc.tuple(crew, page, fc.boolean()), { maxLength: 40 });
  fc.assert(
    fc.property(deeds, (all) => {
      const presence = makePresence();
      const open = new Set<string>();
      for (const [crewId, name, isHere] of all) {
        if (isHere) presence.here({ crewId, page: name, name: `${crewId}${name}`, process }, 0);
        else presence.gone({ crewId, page: name, process });
        if (isHere) open.add(crewId + name);
        else open.delete(crewId + name);
      }
      for (const crewId of ["a", "b"]) {
        const wanted = [...open]
          .filter((each) => each.startsWith(crewId))
          .sort((one, other) => one.localeCompare(other));
        expect(presence.of(crewId)).toEqual({ pages: wanted.length, names: wanted, people: [] });
      }
    }),
  );
});
