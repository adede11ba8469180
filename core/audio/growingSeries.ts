/** A list of numbers that grows without boxing: 8 bytes a figure. */
export interface GrowingSeries {
  push(value: number): void;
  /** The figures so far; a view, valid until the next push. */
  values(): Float64Array;
}

export function growingSeries(): GrowingSeries {
  let store = new Float64Array(1024);
  let length = 0;
  return {
    push(value) {
      if (length === store.length) {
        const larger = new Float64Array(store.length * 2);
        larger.set(store);
        store = larger;
      }
      store[length] = value;
      length += 1;
    },
    values: () => store.subarray(0, length),
  };
}
