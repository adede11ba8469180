import { QueryClient, QueryObserver } from "@tanstack/react-query";
import { newsFor } from "./queries";

/** A server whose answers come when the test says so, each with what was true when it was asked. */
function slowServer() {
  let truth = "before";
  const waiting: (() => void)[] = [];
  const queries = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity, networkMode: "always" } } });
  const asked = jest.fn(() => {
    const said = truth;
    return new Promise<string>((resolve) => waiting.push(() => resolve(said)));
  });
  const observer = new QueryObserver(queries, { queryKey: ["shoot", "quay"], queryFn: asked });
  observer.subscribe(() => undefined);
  return {
    asked,
    change: (to: string) => (truth = to),
    news: newsFor(queries),
    shown: () => observer.getCurrentResult().data,
    async answer() {
      waiting.shift()!();
      await jest.advanceTimersByTimeAsync(0);
    },
    end: () => queries.clear(),
  };
}

beforeEach(() => void jest.useFakeTimers());
afterEach(() => void jest.useRealTimers());

describe.each(["news of one shoot", "a line that was away"])("%s", (what) => {
  test("that comes while a page asks for the first time is not lost", async () => {
    const server = slowServer();
    const { soon, refresh } = server.news;
    server.change("after");
    if (what === "news of one shoot") soon(["shoot", "quay"]);
    else void refresh();
    await server.answer();
    expect(server.shown()).toBe("before");
    await server.answer();
    expect(server.shown()).toBe("after");
    server.end();
  });
});

test("news in a row are asked for at once, however slow the line, and the last of them is shown", async () => {
  const server = slowServer();
  await server.answer();
  for (const truth of ["one", "two", "three"]) {
    server.change(truth);
    server.news.soon(["shoot", "quay"]);
    await jest.advanceTimersByTimeAsync(300);
  }
  expect(server.asked).toHaveBeenCalledTimes(2);
  await server.answer();
  expect(server.shown()).toBe("one");
  await jest.advanceTimersByTimeAsync(300);
  await server.answer();
  expect(server.shown()).toBe("three");
  expect(server.asked).toHaveBeenCalledTimes(3);
  server.end();
});
