import { dayWords } from "./dayWords";

test.each([
  [1, "2027-05-10", "11 May 2027, 1 day, tomorrow"],
  [3, "2027-05-06", "11 May 2027, 3 days, in 5 days"],
  [1, "2027-05-11", "today"],
  [3, "2027-05-11", "day 1 of 3 today"],
  [3, "2027-05-13", "day 3 of 3 today"],
  [3, "2027-05-14", "11 May 2027, 3 days, over"],
  [1, "2027-05-12", "11 May 2027, 1 day, over"],
])("a shoot of %i days from 11 May 2027, seen on %s: %s", (days, today, says) => {
  expect(dayWords({ firstDay: "2027-05-11", days }, today)).toBe(says);
});

test("days are counted across months, leap days and changes of the clock", () => {
  expect(dayWords({ firstDay: "2028-02-28", days: 3 }, "2028-03-01")).toBe("day 3 of 3 today");
  expect(dayWords({ firstDay: "2027-03-27", days: 3 }, "2027-03-29")).toBe("day 3 of 3 today");
});
