import { type Site, sitePoint } from "@/core/dress";
import { project } from "./projection";

/** A place that is out of the question, and why in words. */
export interface RuledOutMark {
  site: Site;
  says: string;
}

/** Small crosses where nothing can go. */
export function RuledOutMarks({ ruledOut, heightM }: { ruledOut: readonly RuledOutMark[]; heightM: number }) {
  return (
    <g stroke="var(--seam)" strokeWidth="2.5" strokeLinecap="round" opacity="0.7">
      {ruledOut.map(({ site, says }) => {
        const [x, y] = project(sitePoint(site, heightM), heightM, "front");
        return (
          <path key={site.id} d={`M${x - 6} ${y - 6}l12 12M${x + 6} ${y - 6}l-12 12`}>
            <title>{`${site.name}: ${says}`}</title>
          </path>
        );
      })}
    </g>
  );
}
