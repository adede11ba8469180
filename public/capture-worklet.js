/** Hands what the microphone hears on to the page, one block at a time. */
class Capture extends AudioWorkletProcessor {
  process(inputs) {
    const [channel] = inputs[0];
    if (channel) this.port.postMessage(channel.slice());
    return true;
  }
}

registerProcessor("capture", Capture);
