/** Items of a list that are written at once. */
const AT_ONCE = 100;

/** The JSON of an object in pieces; its lists come bit by bit. */
export function* jsonPieces(body: object): Generator<string, void> {
  let before = "{";
  for (const [key, value] of Object.entries(body) as [string, unknown][]) {
    if (value === undefined) continue;
    const name = `${before}${JSON.stringify(key)}:`;
    before = ",";
    if (!Array.isArray(value)) {
      yield `${name}${JSON.stringify(value)}`;
      continue;
    }
    yield `${name}[`;
    for (let at = 0; at < value.length; at += AT_ONCE) {
      const piece = JSON.stringify(value.slice(at, at + AT_ONCE)).slice(1, -1);
      yield at > 0 ? `,${piece}` : piece;
    }
    yield "]";
  }
  yield before === "{" ? "{}" : "}";
}

/** The JSON of a large object as a stream; others are answered between its pieces. */
export function jsonStream(body: object): ReadableStream<Uint8Array> {
  const pieces = jsonPieces(body);
  const encoder = new TextEncoder();
  return new ReadableStream({
    async pull(controller) {
      await new Promise((resolve) => setImmediate(resolve));
      const next = pieces.next();
      if (next.done) controller.close();
      else controller.enqueue(encoder.encode(next.value));
    },
  });
}
