import {
  methodOf,
  placeKey,
  placesOn,
  readingKind,
  SLOT_NAMES,
  titleOf,
  type BenchSum,
  type RoundRecord,
  type SystemDetail,
} from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { queries } from '../../app/queries.ts';
import { changeStored, openRounds } from '../../field/rounds.ts';
import { Button } from '../../kit/button.tsx';

type Hands = NonNullable<BenchSum['hands']>;

interface Place {
  readonly key: string;
  readonly title: string;
}

/** Where on a system the reading can be taken: each living part, each of its points. */
function placesIn({ kind, plate, components }: SystemDetail, hands: Hands): Place[] {
  return components
    .filter((c) => c.removedOn === null)
    .flatMap((c) =>
      placesOn({ ...c, fittedOn: null }, kind, plate)
        .filter((place) => place.kind.id === hands.kind && place.method.id === hands.method)
        .map((place) => ({
          key: placeKey({ componentId: c.id, kind: hands.kind, point: place.point, method: hands.method }),
          title: `${SLOT_NAMES[c.slot]}: ${titleOf(place.kind, place.point)}`,
        })),
    );
}

/** One round under way: what was typed goes into its field, where it is looked at before it is taken. */
function IntoRound({
  round,
  hands,
  typed,
}: {
  round: RoundRecord;
  hands: Hands;
  typed: Readonly<Record<string, string>>;
}) {
  const system = useQuery(queries.system(round.systemId));
  const navigate = useNavigate();
  const kind = readingKind(hands.kind);
  const stop = kind && methodOf(kind, hands.method)?.stops[0];
  if (!system.data || !stop) return null;
  const texts = Object.fromEntries(
    Object.entries(hands.inputs).flatMap(([from, to]) => (typed[from] ? [[to, typed[from]]] : [])),
  );
  const hand = async ({ key }: Place) => {
    await changeStored(round.visitId, (r) => ({ ...r, drafts: { ...r.drafts, [key]: texts } }));
    await navigate(
      round.call
        ? `/systems/${round.systemId}/calls/${round.visitId}`
        : `/systems/${round.systemId}/rounds/${round.visitId}/${stop}`,
    );
  };
  return placesIn(system.data, hands).map((place) => (
    <li key={place.key}>
      <Button onClick={() => void hand(place)}>
        {system.data.address}, {place.title}
      </Button>
    </li>
  ));
}

/** Hands what was typed to a reading of a system whose round is under way on this device. */
export function IntoReading({ hands, typed }: { hands: Hands; typed: Readonly<Record<string, string>> }) {
  const rounds = useQuery({ queryKey: ['rounds-on-device'], queryFn: openRounds, staleTime: 0, networkMode: 'always' });
  const open = (rounds.data ?? []).filter((round) => round.call === null);
  if (open.length === 0) return null;
  return (
    <section aria-labelledby="into" className="mt-4">
      <h2 id="into" className="label">
        Into a round under way; it is taken there once you have looked at it
      </h2>
      <ul className="mt-1 flex flex-wrap gap-2">
        {open.map((round) => (
          <IntoRound key={round.visitId} round={round} hands={hands} typed={typed} />
        ))}
      </ul>
    </section>
  );
}
