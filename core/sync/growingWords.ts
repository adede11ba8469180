/** Whole numbers that come one by one, however many. */
export function growingWords(): { add(word: number): void; all(): Uint32Array } {
  let words = new Uint32Array(4096);
  let count = 0;
  return {
    add(word) {
      if (count === words.length) {
        const grown = new Uint32Array(2 * count);
        grown.set(words);
        words = grown;
      }
      words[count] = word;
      count += 1;
    },
    all: () => words.slice(0, count),
  };
}
