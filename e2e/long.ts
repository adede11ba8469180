import { test } from "./test";

/** A test that takes long, or tries once more by screen what tests nearer to the code try: done by `./hypophon test --long`. */
export const isLong = Boolean(process.env["HYPOPHON_LONG"]);

export const long = isLong ? test : test.skip.bind(test);
