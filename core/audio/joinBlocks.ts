/** Blocks of samples, one after the other. */
export function joinBlocks(blocks: readonly Float32Array[]): Float32Array {
  const whole = new Float32Array(blocks.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const block of blocks) {
    whole.set(block, at);
    at += block.length;
  }
  return whole;
}
