import LightRunner from "jest-light-runner/child-process";

/** Runs tests in bare Node.js, which reads TypeScript there: Jest's sandbox makes every array and Math cost twice. */
export default class BareRunner extends LightRunner {
  async runTests(...args) {
    const before = process.env.NODE_OPTIONS;
    process.env.NODE_OPTIONS = `${before ?? ""} --import tsx`.trim();
    // With half of the files in its cache, tsx waits for ever for the other half.
    process.env.TSX_DISABLE_CACHE = "1";
    try {
      return await super.runTests(...args);
    } finally {
      delete process.env.TSX_DISABLE_CACHE;
      if (before === undefined) delete process.env.NODE_OPTIONS;
      else process.env.NODE_OPTIONS = before;
    }
  }
}
