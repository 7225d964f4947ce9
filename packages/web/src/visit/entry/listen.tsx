import {
  AIR_SETTLE_SECONDS,
  sayNumber,
  sayQuantity,
  SETTLE_SECONDS,
  withProbes,
  type InputSpec,
  type ProbeWindow,
  type RoundField,
  type RoundRecord,
  type RoundView,
  type Sample,
  seasonOfMode,
} from '@yarnix/core';
import { Radio } from 'lucide-react';
import { useState } from 'react';
import { practiceFaults, useProbes, type Listening } from '../../field/probes.ts';
import { change } from '../../field/rounds.ts';
import { Button } from '../../kit/button.tsx';

type Probed = Extract<InputSpec, { type: 'number' }>;
const isProbed = (spec: InputSpec): spec is Probed => spec.type === 'number' && spec.probe !== undefined;

/** The inputs of a field that probes can serve; further samples are left to be typed. */
export const probedInputs = (field: RoundField): Probed[] =>
  field.planned.method.inputs.filter(isProbed).filter((spec) => !spec.optional || spec.id === 'supplyWetF');

const stopOf = (view: RoundView, field: RoundField) =>
  view.stops.find((stop) => stop.fields.some((f) => f.key === field.key));

function addressOf(record: RoundRecord, view: RoundView, field: RoundField, input: string): string {
  const { planned, conditions } = field;
  const asked: Record<string, string> = {
    systemId: record.systemId,
    componentId: planned.component.id,
    kind: planned.kind.id,
    point: planned.point,
    method: planned.method.id,
    input,
    // On a visit that works both seasons, what runs at this stop counts.
    season: seasonOfMode(stopOf(view, field)?.mode ?? 'off', view.season),
    runningSeconds: String(60 * (conditions.runningMin ?? 15)),
  };
  if (conditions.outdoorF !== undefined) asked.outdoorF = String(conditions.outdoorF);
  const faults = practiceFaults();
  if (faults.length > 0) asked.faults = faults.join(',');
  return `/api/probes/stream?${new URLSearchParams(asked).toString()}`;
}

const WIDTH = 200;
const HEIGHT = 36;

function Trace({ samples }: { samples: readonly Sample[] }) {
  const values = samples.map((s) => s.value);
  const low = Math.min(...values);
  const span = Math.max(Math.max(...values) - low, 1e-6);
  const from = samples[0]?.at ?? 0;
  const length = Math.max((samples.at(-1)?.at ?? 0) - from, SETTLE_SECONDS);
  const points = samples.map(
    (s) =>
      `${((WIDTH * (s.at - from)) / length).toFixed(1)},${(HEIGHT - 3 - ((HEIGHT - 6) * (s.value - low)) / span).toFixed(1)}`,
  );
  return (
    <svg aria-hidden width={WIDTH} height={HEIGHT} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="max-w-full">
      <polyline points={points.join(' ')} fill="none" stroke="var(--thread)" strokeWidth="2" />
    </svg>
  );
}

interface Result {
  readonly text: string;
  readonly window: ProbeWindow | null;
}

/** What one probe comes to: its text for the field and what it was taken from; null while it has not settled. */
function resultOf(listening: Listening | undefined, spec: Probed): Result | null {
  if (listening?.status !== 'live') return null;
  if (listening.over) return spec.overLimit ? { text: 'OL', window: null } : null;
  const { settled, value, samples, spread } = listening.offered ?? listening.settled;
  if (value === null) return null;
  const digits = spec.unit === 'µF' || spec.unit === 'A' ? 2 : spec.unit === 'Ω' && value > 999 ? 0 : 1;
  const rounded = Number(value.toFixed(digits));
  const window = { samples, seconds: SETTLE_SECONDS, spread: Number(spread.toFixed(3)) };
  if (settled) return { text: String(rounded), window };
  // What never stands still is itself a reading, once it has been given the time.
  const long = (listening.samples.at(-1)?.at ?? 0) - (listening.samples[0]?.at ?? 0) >= 4 * SETTLE_SECONDS;
  return spec.jumps && long ? { text: 'jumps', window } : null;
}

function Live({ spec, listening, big }: { spec: Probed; listening: Listening | undefined; big: boolean }) {
  if (listening?.status !== 'live') {
    return (
      <p role="status" className={listening?.status === 'lost' ? 'font-semibold text-act' : 'label'}>
        {listening?.status === 'lost'
          ? 'The probe kit cannot be reached; type the value.'
          : `${spec.label}: connecting`}
      </p>
    );
  }
  const { settled, value, spread, flatFor } = listening.settled;
  return (
    <div className="flex flex-wrap items-center gap-x-4">
      <span className="label">{spec.label}</span>
      <span className={`figure-type ${big ? 'w-full text-[60px] leading-none' : 'text-[26px]'}`}>
        {value === null ? 'OL' : sayQuantity(listening.samples.at(-1)?.value ?? value, spec.unit)}
      </span>
      <Trace samples={listening.samples} />
      <span role="status" className={settled || listening.over ? 'font-bold' : 'label'}>
        {settled || listening.over
          ? `settled${listening.over ? '' : `, ±${sayNumber(spread / 2, spec.unit)}`}`
          : flatFor !== undefined && flatFor < AIR_SETTLE_SECONDS
            ? `${Math.floor(flatFor)} of ${AIR_SETTLE_SECONDS} s`
            : 'moving'}
      </span>
    </div>
  );
}

/** Listening to every probe of a field at once, until all have settled and are taken. */
function LivePanel({
  specs,
  addresses,
  big,
  onTake,
  onStop,
}: {
  specs: readonly Probed[];
  addresses: readonly string[];
  big: boolean;
  onTake: (results: readonly Result[]) => void;
  onStop: () => void;
}) {
  const live = useProbes(
    specs.map((spec, index) => ({
      address: addresses[index] ?? '',
      unit: spec.unit,
      isAir: spec.probe === 'psychrometer',
    })),
  );
  const results = specs.map((spec, index) => resultOf(live[index], spec));
  const all = results.filter((r) => r !== null);
  return (
    <div className="grid gap-1 border-l-[3px] border-copper py-1 pl-3">
      {specs.map((spec, index) => (
        <Live key={spec.id} spec={spec} listening={live[index]} big={big} />
      ))}
      <div className="flex flex-wrap gap-2">
        <Button
          look="main"
          className={big ? 'min-h-16 w-full text-[20px]' : ''}
          disabled={all.length < specs.length}
          onClick={() => onTake(all)}
        >
          {all.length < specs.length ? 'Settling' : `Take ${all.map((r) => r.text).join(' and ')}`}
        </Button>
        <Button look="quiet" onClick={onStop}>
          Stop listening
        </Button>
      </div>
    </div>
  );
}

/** Listen: live value, trace and "settled" of every probe the field can be served by, then one tap takes them. */
export function Listen({
  record,
  view,
  field,
  big = false,
  onListening = () => undefined,
}: {
  record: RoundRecord;
  view: RoundView;
  field: RoundField;
  big?: boolean;
  /** Told when the probes have the screen, and when they leave it. */
  onListening?: (listening: boolean) => void;
}) {
  const [addresses, setAddresses] = useState<readonly string[] | null>(null);
  const specs = probedInputs(field);
  const listen = (next: readonly string[] | null) => {
    setAddresses(next);
    onListening(next !== null);
  };
  if (specs.length === 0) return null;
  if (!addresses) {
    return (
      <Button onClick={() => listen(specs.map((spec) => addressOf(record, view, field, spec.id)))}>
        <Radio aria-hidden size={18} /> Listen
      </Button>
    );
  }
  const take = (results: readonly Result[]) => {
    const named = specs.map((spec, index) => [spec.id, results[index]] as const);
    const texts = Object.fromEntries(named.map(([id, r]) => [id, r?.text ?? '']));
    const windows = Object.fromEntries(named.flatMap(([id, r]) => (r?.window ? [[id, r.window] as const] : [])));
    void change(record.visitId, (r) => withProbes(r, field.key, texts, windows));
    listen(null);
  };
  return <LivePanel specs={specs} addresses={addresses} onTake={take} big={big} onStop={() => listen(null)} />;
}
