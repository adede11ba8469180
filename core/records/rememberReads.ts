import type { ShootBundle } from "./records";

type Part = keyof ShootBundle;

/** Results that are kept of one function: a shoot before and after a change, and another shoot. */
const KEPT = 3;

/**
 * A function of a shoot that is computed anew only where a part that it read is another. A part is a whole list of the shoot;
 * lists in which nothing changed are the same list (see `bundleOf`).
 */
export function rememberReads<Result>(compute: (bundle: ShootBundle) => Result): (bundle: ShootBundle) => Result {
  const kept: { reads: Map<Part, unknown>; result: Result }[] = [];
  return (bundle) => {
    const known = kept.find(({ reads }) => [...reads].every(([part, value]) => bundle[part] === value));
    if (known) return known.result;
    const reads = new Map<Part, unknown>();
    const watched = new Proxy(bundle, {
      get(_, part: Part) {
        reads.set(part, bundle[part]);
        return bundle[part];
      },
    });
    const result = compute(watched);
    kept.unshift({ reads, result });
    kept.splice(KEPT);
    return result;
  };
}
