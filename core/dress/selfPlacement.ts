import { PACK_PLACES } from "./packPlaces";
import type { Candidate } from "./planDress";

/** Words for the wearer who places the microphone themselves: no trade terms, one thing a line. */
export function selfPlacementSteps({ site, placement, mount, pack, port }: Candidate): string[] {
  const where = site.name.charAt(0).toLowerCase() + site.name.slice(1);
  const steps = ["This is the microphone: the small end with the hole. Keep fingers and tape off the hole."];
  if (site.ridesOnHead)
    steps.push(`Hold it where it goes: ${where}. Somebody fastens it while you look into a mirror.`);
  else if (placement.surface === "outside")
    steps.push(`Clip it on: ${where}. The hole looks ${port === "down" ? "down" : "up"}.`);
  else steps.push(`Let the microphone in from below, inside your clothes, up to here: ${where}.`);
  if (placement.surface === "skin" && mount.usesAdhesive !== "none")
    steps.push("Press the tape on dry, clean skin. Tell us first if tape or plasters have ever made you itch.");
  else if (placement.surface === "skin")
    steps.push("Put the soft band round your chest, loose enough for two fingers.");
  else if (placement.surface === "inside") steps.push("Press the sticky pad against the cloth for ten seconds.");
  steps.push(
    site.ridesOnHead
      ? "The cable goes down behind your neck, with slack so that you can turn your head; never round the neck."
      : "Leave a little slack at the microphone, and bring the cable round your side, not down the front.",
  );
  if (pack) steps.push(`The little box goes here: ${PACK_PLACES[pack.place].name}. Its aerial stays free.`);
  steps.push("From now on we can hear you. Say when you want to be muted, and stop whenever you like.");
  return steps;
}
