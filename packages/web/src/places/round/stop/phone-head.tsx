import { hasBegun, sayOutdoorProblem } from '@yarnix/core';
import { change } from '../../../field/rounds.ts';
import { Button } from '../../../kit/button.tsx';
import { Keypad, press, type Key } from '../../../kit/keypad.tsx';
import { StopState } from './cautions.tsx';
import { JobsHere } from '../../../jobs/jobs-here.tsx';
import { MetersAtStart } from './meters-at-start.tsx';
import { NumberInput } from '../../../visit/entry/number-input.tsx';
import { RunningClock } from './running-clock.tsx';
import { asksWeather, type StopProps } from './stop-props.ts';

/** The head of a stop on a phone: its state, what is done first, its cautions and the weather, before the first reading. */
export function PhoneHead(props: StopProps & { onBegin: () => void }) {
  const { stop, record, view, onBegin } = props;
  const set = (text: string) => void change(record.visitId, (r) => ({ ...r, outdoorText: text }));
  const weather = asksWeather(props);
  const onKey = (key: Key) => (key === 'next' ? onBegin() : set(press(record.outdoorText, key)));
  const begin = stop.settle && !record.runningSince[stop.mode] ? 'Done, it runs' : 'Done, begin';
  return (
    <>
      <div className="grid flex-1 content-start gap-3 overflow-y-auto px-4 py-3">
        <h1 className="text-[26px] font-bold">{stop.title}</h1>
        <StopState stop={stop} startOpen={!weather && !hasBegun(record, stop)} />
        {stop.settle && <RunningClock record={record} stop={stop} />}
        {weather && (
          <div>
            <p className="label text-[17px]">Outdoor air</p>
            <NumberInput
              big
              spec={{ id: 'outdoor', type: 'number', label: 'Outdoor air', unit: '°F', overLimit: false }}
              name="Outdoor air, °F"
              text={record.outdoorText}
              bad={view.outdoorProblem !== null}
              describedBy="outdoor-below"
              onText={set}
              onFocus={() => undefined}
              onEnter={onBegin}
              autoFocus
            />
            <p id="outdoor-below" className={view.outdoorProblem ? 'font-semibold text-act' : 'label'}>
              {view.outdoorProblem
                ? sayOutdoorProblem(view.outdoorProblem)
                : 'Entered once; travels with each reading.'}
            </p>
          </div>
        )}
        {stop.id === 'arrive' && <JobsHere systemId={record.systemId} />}
        {stop.id === 'arrive' && <MetersAtStart record={record} view={view} />}
      </div>
      {weather ? (
        <Keypad onKey={onKey} overLimit={false} signed nextLabel="Begin" />
      ) : (
        <div className="p-4">
          <Button look="main" className="min-h-16 w-full text-[20px]" onClick={onBegin}>
            {begin}
          </Button>
        </div>
      )}
    </>
  );
}
