import { recipeFor, suggestionOf } from "../core/dress";
import { rankPickups, placeSound } from "../core/pickup";
import { planRig, placeOfRig, storedPickup } from "../core/planning";
import { LIVING_ROOM } from "../core/room";
import { schemaFaults } from "../core/schema";
import { SLACK_WATER } from "../demo/slackWater";
import { wholeBundleOf } from "../fixtures/testShoot";
import { say } from "../messages";
import { CALCULATORS } from "./calculators";

/** The demo shoot as every screen has it. */
const DEMO = wholeBundleOf(SLACK_WATER);

interface DressRow {
  places: readonly { choice: { site: string } }[];
  recipe: { steps: unknown; cautions: unknown; wish: unknown } | null;
  ruledOut: readonly { site: string; reason: unknown }[];
}

describe("the shell says what the screen says", () => {
  test.each(DEMO.rigs.map((rig) => [DEMO.wearers.find(({ id }) => id === rig.body.wearerId)!.body.name, rig] as const))(
    "%s: places, recipe and what is ruled out",
    async (_, rig) => {
      const wearer = DEMO.wearers.find(({ id }) => id === rig.body.wearerId)!;
      const { dress } = planRig(wearer.body, rig.body, placeOfRig(DEMO, rig.body)?.body ?? null, DEMO.kit);
      const { input } = dress.facts;
      expect(schemaFaults(CALCULATORS["dress"]!.schema, input)).toEqual([]);
      const { result, finding } = await CALCULATORS["dress"]!.run(input);
      const shell = result as DressRow;
      expect(shell.places.map(({ choice }) => choice.site)).toEqual(dress.places.map(({ site }) => site.id));
      const advised = suggestionOf(dress);
      expect(finding === null).toBe(advised !== null);
      if (advised) {
        const recipe = recipeFor(advised, dress);
        expect(shell.recipe).toMatchObject({ steps: recipe.steps, cautions: recipe.cautions, wish: recipe.wish });
        for (const step of [...recipe.steps, ...recipe.cautions]) expect(say(step)).toMatch(/^[A-Z].*[.)]$/s);
      } else expect(shell.recipe).toBeNull();
      expect(shell.ruledOut.map(({ reason }) => reason)).toEqual(dress.ruledOut.map(({ reason }) => reason));
    },
  );

  test.each(DEMO.scenes.filter(({ id }) => storedPickup(DEMO, id)).map((scene) => [scene.body.title, scene] as const))(
    "%s: what is put up",
    async (_, scene) => {
      const { setup, wishes } = storedPickup(DEMO, scene.id)!.body;
      const place = DEMO.places.find(({ id }) => id === scene.body.placeId)?.body.model ?? LIVING_ROOM;
      const call = { place, talkers: setup.talkers, wishes };
      expect(schemaFaults(CALCULATORS["pickup"]!.schema, call)).toEqual([]);
      const { result } = await CALCULATORS["pickup"]!.run(call);
      const ways = rankPickups(setup.talkers, placeSound(place), wishes);
      expect((result as { ways: { id: string }[] }).ways.map(({ id }) => id)).toEqual(ways.map(({ id }) => id));
    },
  );
});
