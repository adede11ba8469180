import { scenesInOrder, type ShootBundle, type Stored } from "@/core/records";

/** Day, scene and take, wild line or room tone at the beginning of a name: "D2_S04_T03_Ines". */
const NAME = /(?:^|[/\\ _-])D(\d{1,3})[_ -]S(\d{1,3})[_ -](?:T|W|RT)\d{1,4}/i;
/** Words of a name shorter than this fit anything. */
const SHORTEST_WORD = 3;

const wordsOf = (text: string): string[] =>
  text
    .normalize("NFC")
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word.length >= SHORTEST_WORD);

/**
 * The rig a file belongs to by its name, as Level proposes names: day, scene of that day, and who. Null where the name says too
 * little, or fits more than one.
 */
export function rigOfFile(bundle: ShootBundle, path: string): Stored<"rig"> | null {
  const name = path.split(/[/\\]/).at(-1)!;
  const found = NAME.exec(name);
  const said = new Set(wordsOf(name.replace(/\.[^.]*$/, "")));
  const wearers = bundle.wearers.filter(({ body }) => wordsOf(body.name).some((word) => said.has(word)));
  const [wearer] = wearers;
  if (!found || !wearer || wearers.length > 1) return null;
  const [day, number] = [Number(found[1]), Number(found[2])];
  const scene = scenesInOrder(bundle.scenes).filter(({ body }) => body.day === day)[number - 1];
  return (
    bundle.rigs.find(({ body }) => body.wearerId === wearer.id && scene !== undefined && body.sceneId === scene.id) ??
    null
  );
}
