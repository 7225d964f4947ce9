import { doubtRunning, parseMeasure, sayReason, type RoundRecord, type RoundStop } from '@yarnix/core';
import { useState } from 'react';
import { Button } from '../../../kit/button.tsx';
import { Field } from '../../../kit/field.tsx';
import { setRunning } from './begin.ts';

/** "Running 4 min; readings count from 10": nothing where nothing has to settle. */
export function runningWords(stop: RoundStop): string | null {
  if (!stop.settle) return null;
  const { from, to } = stop.settle;
  if (stop.runningMin === null) return `Let it run ${from} to ${to} minutes`;
  const left = from - stop.runningMin;
  return left > 0 ? `Running ${stop.runningMin} min, settles in ${left}` : `Running ${stop.runningMin} min, settled`;
}

/** The same in two words, for a header. */
export const runningShort = (stop: RoundStop): string | null =>
  stop.settle && stop.runningMin !== null ? `${stop.runningMin} min running` : null;

const visitMinutes = (record: RoundRecord): number => (Date.now() - Date.parse(record.startedAt)) / 60_000;

/** How long it has run in this mode: counted by the clock, or as typed when it ran before; asked about when longer than the visit. */
export function RunningClock({ record, stop }: { record: RoundRecord; stop: RoundStop }) {
  const [text, setText] = useState<string | null>(null);
  if (!stop.settle) return null;
  const read = text === null || text.trim() === '' ? null : parseMeasure(text, 'min');
  const doubt = read?.outcome === 'number' ? doubtRunning(read.value, visitMinutes(record)) : null;
  const set = (minutes: number) => setRunning(record, stop, minutes);
  return (
    <div className="grid gap-1">
      <Field
        label="Running for"
        unit="min"
        inputMode="numeric"
        autoComplete="off"
        value={text ?? stop.runningMin?.toString() ?? ''}
        error={read !== null && read.outcome !== 'number' ? 'Type minutes, such as 12.' : undefined}
        hint={doubt ? sayReason(doubt) : runningWords(stop)}
        onChange={(e) => {
          setText(e.target.value);
          const typed = parseMeasure(e.target.value, 'min');
          if (typed.outcome === 'number' && !doubtRunning(typed.value, visitMinutes(record))) set(typed.value);
        }}
        onBlur={() => !doubt && setText(null)}
      />
      {doubt && read?.outcome === 'number' && (
        <Button
          className="justify-self-start"
          onClick={() => {
            set(read.value);
            setText(null);
          }}
        >
          It ran before I came
        </Button>
      )}
    </div>
  );
}
