import { hasBegun, isTaken, type RoundRecord, type RoundStop } from '@yarnix/core';
import { useEffect } from 'react';
import { useParams } from 'react-router';
import { Failed, Loading } from '../../app/states.tsx';
import { useWide } from '../../app/use-media.ts';
import { PhoneStop } from './stop/phone-stop.tsx';
import { beginStop } from './stop/begin.ts';
import { useRoundView } from '../../visit/use-round-view.ts';
import { WideStop } from './stop/wide-stop.tsx';

/** A reading taken at a stop says that its instructions were followed, whether or not anybody tapped so. */
function useBegunByWork(record: RoundRecord | null, stop: RoundStop | null): void {
  const worked = stop?.fields.some(isTaken) ?? false;
  useEffect(() => {
    if (record && stop && worked && !hasBegun(record, stop)) beginStop(record, stop);
  }, [record, stop, worked]);
}

/** One stop of a round: as a list beside the keypad on a wide screen, one reading at a time on a phone. */
export function RoundScreen() {
  const { systemId = '', visitId = '', stopId = '' } = useParams();
  const data = useRoundView(systemId, visitId);
  const wide = useWide();
  const here = data.status === 'here' ? data : null;
  const stop = here?.view.stops.find((s) => s.id === stopId) ?? here?.view.stops[0] ?? null;
  useBegunByWork(here?.record ?? null, stop);
  if (data.status === 'loading') return <Loading what="the round" />;
  if (data.status === 'failed') return <Failed error={data.error} what="This round" retry={data.retry} />;
  if (!stop) return <p className="p-5">This system has no part that is measured on a round yet.</p>;
  const Stop = wide ? WideStop : PhoneStop;
  return <Stop key={stop.id} {...data} stop={stop} />;
}
