"use client";

import { say } from "@/messages";
import { Plus } from "lucide-react";
import {
  type PlaceModel,
  planTreatments,
  rankTreatments,
  piecesOf,
  type Treatment,
  type TreatmentGain,
  withTreatment,
} from "@/core/room";
import { Button } from "@/ui/Button";
import { Table } from "@/ui/Table";
import { Lead, Soft, Stack } from "@/ui/layout";
import { upperFirst } from "../dress/words";
import { useShootStore } from "@/data/ShootProvider";
import { editPlace } from "./editPlace";
import { ListRow } from "./ListRow";

/** Ranked pieces shown. */
const SHOWN = 6;

const keyOf = ({ kind, surface, over }: Omit<Treatment, "count">) => `${kind} ${surface} ${over}`;

function Ranking({ gains, onAdd }: { gains: readonly TreatmentGain[]; onAdd: (gain: TreatmentGain) => void }) {
  return (
    <Table>
      <caption>What one more piece saves, and for each blanket&apos;s worth carried</caption>
      <thead>
        <tr>
          <th scope="col">Piece</th>
          <th scope="col" data-figure>
            saves
          </th>
          <th scope="col" data-figure>
            a blanket
          </th>
          <th aria-label="Put up" />
        </tr>
      </thead>
      <tbody>
        {gains.map((gain) => (
          <tr key={keyOf(gain)}>
            <th scope="row">{upperFirst(piecesWords(gain))}</th>
            <td data-figure>{gain.savedS.toFixed(2)} s</td>
            <td data-figure>{gain.savedPerCarryS.toFixed(2)} s</td>
            <td data-figure>
              <Button look="quiet" aria-label={`Put up ${piecesWords(gain)}`} onPress={() => onAdd(gain)}>
                <Plus size={18} aria-hidden />
              </Button>
            </td>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}

const piecesWords = (...treatment: Parameters<typeof piecesOf>): string =>
  say({ code: "room.pieces", ...piecesOf(...treatment) });

/** What could be hung and laid, by what it saves for its carrying, and what already is. */
export function Treatments({ placeId, model }: { placeId: string; model: PlaceModel }) {
  const store = useShootStore();
  const all = rankTreatments(model);
  // Walls of one make are alike: the first stands for them.
  const gains = all
    .filter((gain, index) => all.findIndex(({ kind, over }) => kind === gain.kind && over === gain.over) === index)
    .slice(0, SHOWN);
  const { says } = planTreatments(model);
  const remove = (treatment: Treatment) =>
    editPlace(store, placeId, ({ treatments }) => ({
      treatments: treatments.flatMap((each) => {
        if (keyOf(each) !== keyOf(treatment)) return [each];
        return each.count > 1 ? [{ ...each, count: each.count - 1 }] : [];
      }),
    }));
  return (
    <Stack $gap={0.7}>
      <Lead>{say(says)}</Lead>
      {model.treatments.map((treatment) => (
        <ListRow
          key={keyOf(treatment)}
          removeLabel={`Take down one: ${piecesWords(treatment, treatment.count)}`}
          onRemove={() => remove(treatment)}
        >
          <p>Up: {piecesWords(treatment, treatment.count)}</p>
        </ListRow>
      ))}
      {gains.length > 0 && (
        <Ranking gains={gains} onAdd={(gain) => editPlace(store, placeId, (now) => withTreatment(now, gain))} />
      )}
      {gains.length > 0 && <Soft>{say({ code: "place.tapeEdges" })}</Soft>}
    </Stack>
  );
}
