import LightRunner from "jest-light-runner/child-process";

const KEEP_MESSAGES = new URL("./keepMessages.mjs", import.meta.url).href;

/** Runs tests in bare Node.js, which reads TypeScript there: Jest's sandbox makes every array and Math cost twice. */
export default class BareRunner extends LightRunner {
  async runTests(...args) {
    const before = process.env.NODE_OPTIONS;
    process.env.NODE_OPTIONS = `${before ?? ""} --import ${KEEP_MESSAGES} --import tsx`.trim();
    try {
      return await super.runTests(...args);
    } finally {
      if (before === undefined) delete process.env.NODE_OPTIONS;
      else process.env.NODE_OPTIONS = before;
    }
  }
}
