import { parseDate } from "@internationalized/date";
import type { ShootBody } from "@/core/records";

const DAY = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short", year: "numeric", timeZone: "UTC" });
const RELATIVE = new Intl.RelativeTimeFormat("en-GB", { numeric: "auto" });

/** Where a shoot stands on a day: "day 2 of 3 today", "in 5 days", "over since 11 May 2027". Dates as "YYYY-MM-DD". */
export function dayWords({ firstDay, days }: Pick<ShootBody, "firstDay" | "days">, today: string): string {
  const first = parseDate(firstDay);
  const at = parseDate(today).compare(first);
  const day = (date: typeof first) => DAY.format(date.toDate("UTC"));
  const length = days === 1 ? "1 day" : `${days} days`;
  if (at < 0) return `${day(first)}, ${length}, ${RELATIVE.format(-at, "day")}`;
  if (at < days) return days === 1 ? "today" : `day ${at + 1} of ${days} today`;
  return `${day(first)}, ${length}, over`;
}
