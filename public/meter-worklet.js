/** Frames handed on at a time: about 11 ms at 48 kHz. */
const BLOCK = 512;

/** Hands what the microphone hears on to whoever holds the other end of the port that it is given. */
class Meter extends AudioWorkletProcessor {
  constructor() {
    super();
    this.block = new Float32Array(BLOCK);
    this.filled = 0;
    this.out = null;
    this.port.onmessage = ({ data }) => {
      this.out = data;
    };
  }

  process(inputs) {
    const [channel] = inputs[0];
    if (!channel || !this.out) return true;
    this.block.set(channel, this.filled);
    this.filled += channel.length;
    if (this.filled >= BLOCK) {
      const full = this.block;
      this.out.postMessage(full, [full.buffer]);
      this.block = new Float32Array(BLOCK);
      this.filled = 0;
    }
    return true;
  }
}

registerProcessor("meter", Meter);
