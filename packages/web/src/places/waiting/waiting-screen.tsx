import { useQuery } from '@tanstack/react-query';
import { CheckCheck, CloudOff, CloudUpload, PenLine, RotateCw, Undo2 } from 'lucide-react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { queries } from '../../app/queries.ts';
import { editAgain, takeBack, tryAgain } from '../../field/decide.ts';
import { carriedBy, readingIn, type Outgoing } from '../../field/outgoing.ts';
import { outgoingWords } from '../../field/outgoing-words.ts';
import { somethingToSend } from '../../field/outbox.ts';
import { waitsFor, type SetAside } from '../../field/set-aside.ts';
import { useOutbox } from '../../field/use-outbox.ts';
import { useRoundRecord } from '../../field/use-round.ts';
import { Button } from '../../kit/button.tsx';
import { fieldOf } from './where.ts';

/** Which house it is of, as far as this device knows. */
function House({ visitId }: { visitId: string }) {
  const known = useRoundRecord(visitId);
  const systemId = known.status === 'here' ? known.record.systemId : '';
  const { data } = useQuery({ ...queries.system(systemId), enabled: systemId !== '' });
  return data ? <p className="label">{data.address}</p> : null;
}

interface TakenBack {
  readonly words: string;
  readonly undo: () => Promise<void>;
}

function Refused({ item, onTakenBack }: { item: SetAside; onTakenBack: (taken: TakenBack) => void }) {
  const navigate = useNavigate();
  const words = outgoingWords(item);
  const isStart = carriedBy(item) === 'visits';
  const edit = async () => {
    const to = await fieldOf(item);
    if (readingIn(item)) await editAgain(item);
    if (to) await navigate(to);
  };
  return (
    <li className="grid gap-2 border-b border-rule py-4 md:grid-cols-[1fr_auto] md:items-center">
      <div>
        <h3 className="text-[17px] font-bold">{words}</h3>
        <House visitId={item.visitId} />
        <p className="font-semibold text-act">{item.why}</p>
      </div>
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => void tryAgain(item)} aria-label={`Try again: ${words}`}>
          <RotateCw aria-hidden size={18} />
          {item.code === 'clock-off' ? 'Send with the right time' : 'Try again'}
        </Button>
        <Button onClick={() => void edit()} aria-label={`${readingIn(item) ? 'Edit' : 'Go there'}: ${words}`}>
          <PenLine aria-hidden size={18} /> {readingIn(item) ? 'Edit' : 'Go there'}
        </Button>
        {/* Without its start a round has nowhere to go: that can be sent again, and not be taken back. */}
        {!isStart && (
          <Button
            look="quiet"
            aria-label={`Take back: ${words}`}
            onClick={() => void takeBack(item).then((undo) => onTakenBack({ words, undo }))}
          >
            Take back
          </Button>
        )}
      </div>
    </li>
  );
}

const Waiting = ({ item, held }: { item: Outgoing; held: boolean }) => (
  <li className="flex flex-wrap justify-between gap-x-5 border-b border-rule py-3">
    <span className="font-semibold">{outgoingWords(item)}</span>
    <span className="label">{held ? 'waits for what was not taken above' : 'kept on this device'}</span>
  </li>
);

function Undo({ taken, onDone }: { taken: TakenBack; onDone: () => void }) {
  return (
    <p role="status" className="flex flex-wrap items-center gap-3 border-l-[3px] border-copper bg-raised p-3">
      Taken back: {taken.words}.
      <Button onClick={() => void taken.undo().then(onDone)}>
        <Undo2 aria-hidden size={18} /> Undo
      </Button>
    </p>
  );
}

/** What has not reached the office yet: what it would not take, to be decided about, and what merely waits for a signal. */
export function WaitingScreen() {
  const { waiting, aside, reachable } = useOutbox();
  const [taken, setTaken] = useState<TakenBack | null>(null);
  const nothing = waiting.length + aside.length === 0;
  return (
    <section className="mx-auto grid w-full max-w-4xl content-start gap-5 px-4 py-5 md:px-6">
      <div>
        <h1 className="text-[28px] font-bold">
          {nothing ? 'Everything has reached the office' : 'Not at the office yet'}
        </h1>
        <p className="flex items-center gap-2 text-soft">
          {nothing ? (
            <CheckCheck aria-hidden size={18} />
          ) : reachable ? (
            <CloudUpload aria-hidden size={18} />
          ) : (
            <CloudOff aria-hidden size={18} />
          )}
          {nothing
            ? 'Nothing waits on this device.'
            : reachable
              ? 'Kept on this device until the office has it.'
              : 'No signal: kept on this device, and sent by itself once there is one.'}
        </p>
      </div>
      {taken && <Undo taken={taken} onDone={() => setTaken(null)} />}
      {aside.length > 0 && (
        <section>
          <h2 className="text-lg font-bold">{aside.length} not taken by the office</h2>
          <ul className="border-t border-rule">
            {aside.map((item) => (
              <Refused key={item.order} item={item} onTakenBack={setTaken} />
            ))}
          </ul>
        </section>
      )}
      {waiting.length > 0 && (
        <section>
          <div className="flex flex-wrap items-center justify-between gap-3">
            <h2 className="text-lg font-bold">{waiting.length} waiting</h2>
            {!reachable && (
              <Button onClick={() => somethingToSend()}>
                <RotateCw aria-hidden size={18} /> Try now
              </Button>
            )}
          </div>
          <ul className="border-t border-rule">
            {waiting.map((item) => (
              <Waiting key={item.order} item={item} held={waitsFor(item, aside)} />
            ))}
          </ul>
        </section>
      )}
    </section>
  );
}
