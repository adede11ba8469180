import type { RecordKind } from "./records";

type Fields = Readonly<Record<string, unknown>>;

const isFields = (value: unknown): value is Fields =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** The entries of a list, those that change as others; the same list where none does. */
function mapped(list: unknown, change: (entry: unknown) => unknown): unknown {
  if (!Array.isArray(list)) return list;
  const next = list.map(change);
  return next.every((entry, at) => entry === list[at]) ? list : next;
}

/** Fields with one of them changed, if it is there and does change. */
function within(fields: unknown, name: string, change: (value: unknown) => unknown): unknown {
  if (!isFields(fields) || !(name in fields)) return fields;
  const next = change(fields[name]);
  return next === fields[name] ? fields : { ...fields, [name]: next };
}

const asWritten = (code: string) => (entry: unknown) => (typeof entry === "string" ? { code, text: entry } : entry);

/** What a device was set to, in words: it was set, to nothing that can be compared. */
const tickNow = (tick: unknown): unknown =>
  within(tick, "holdsFor", (held) =>
    typeof held === "string" ? [{ control: "unknown", value: held.slice(0, 200) }] : held,
  );

function findingNow(finding: unknown): unknown {
  if (!isFields(finding) || !("message" in finding || "advice" in finding || "cause" in finding)) return finding;
  const { message, advice, cause, ...rest } = finding;
  return {
    ...rest,
    ...(message !== undefined && { what: asWritten("finding.asWritten")(message) }),
    ...(advice !== undefined && { advice: asWritten("advice.asWritten")(advice) }),
    ...(cause !== undefined && { cause: asWritten("cause.asWritten")(cause) }),
  };
}

function measurementNow(body: Fields): unknown {
  if (typeof body["sentence"] !== "string") return body;
  const { sentence, correction, redress, ...rest } = body;
  return { ...rest, said: { sentence, correction, redress } };
}

const NOW: { [Kind in RecordKind]?: (body: Fields) => unknown } = {
  // Until the clock could be chosen, every time was of 24 hours.
  shoot: (body) => ("title" in body && !("clock" in body) ? { ...body, clock: "24" } : body),
  kitItem: (body) =>
    within(body, "figures", (figures) =>
      within(figures, "settings", (list) => mapped(list, asWritten("setting.asWritten"))),
    ),
  // Until a clap could be chosen, every match was found by sound.
  match: (body) => ("picture" in body && !("by" in body) ? { ...body, by: "sound" } : body),
  levels: (body) =>
    within(body, "lines", (lines) => mapped(lines, (line) => within(line, "ticks", (ticks) => mapped(ticks, tickNow)))),
  measurement: measurementNow,
  takeDetail: (body) => within(body, "findings", (findings) => mapped(findings, findingNow)),
  place: (body) =>
    within(body, "model", (model) =>
      within(model, "echo", (echo) => within(echo, "remarks", (list) => mapped(list, asWritten("clap.asWritten")))),
    ),
};

/**
 * A body of the release that stored sentences in the shape of this one: what was typed without a signal before an update, and
 * what a page that is still of that release sends. The same object where nothing in it is of that shape.
 */
export function inShapeNow<Body>(kind: RecordKind, body: Body): Body {
  return (isFields(body) ? (NOW[kind]?.(body) ?? body) : body) as Body;
}
