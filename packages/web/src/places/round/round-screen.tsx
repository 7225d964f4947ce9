import { useParams } from 'react-router';
import { Failed, Loading } from '../../app/states.tsx';
import { useWide } from '../../app/use-media.ts';
import { PhoneStop } from './phone-stop.tsx';
import { useRoundView } from './use-round-view.ts';
import { WideStop } from './wide-stop.tsx';

/** One stop of a round: as a list beside the keypad on a wide screen, one reading at a time on a phone. */
export function RoundScreen() {
  const { systemId = '', visitId = '', stopId = '' } = useParams();
  const data = useRoundView(systemId, visitId);
  const wide = useWide();
  if (data.status === 'loading') return <Loading what="the round" />;
  if (data.status === 'failed') return <Failed error={data.error} what="This round" retry={data.retry} />;
  const stop = data.view.stops.find((s) => s.id === stopId) ?? data.view.stops[0];
  if (!stop) return <p className="p-5">This system has no part that is measured on a round yet.</p>;
  const Stop = wide ? WideStop : PhoneStop;
  return <Stop key={stop.id} {...data} stop={stop} />;
}
