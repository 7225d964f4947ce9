import type { Conditions } from '../contract/conditions.ts';
import type { FindingKind } from '../contract/kind.ts';
import type { Method } from '../contract/entry.ts';
import { choices, found } from '../contract/window.ts';
import type { Point } from '../../equipment/component.ts';
import { isTwoStage } from '../../equipment/plate.ts';
import { isHeatPump, isInverter } from '../../equipment/system-kind.ts';

type Stage = NonNullable<Conditions['compressorStage']>;
const STAGES: Readonly<Record<Stage, string>> = { low: 'Low', high: 'High' };

const seenIn = (id: string, stops: Method['stops'], point: Point, heats: boolean): Method => ({
  id,
  title: 'by the call, or the solenoid’s volts',
  stops,
  order: 2,
  points: ({ systemKind, plate }) =>
    isTwoStage(plate) && !isInverter(systemKind) && (!heats || isHeatPump(systemKind)) ? [point] : [],
  inputs: [{ id: 'stage', type: 'choice', label: 'Runs on', options: choices(STAGES) }],
  evaluate: () => found('setting-read'),
});

/** On which stage a two-stage compressor runs in a mode: amps, split and charge are read against its high stage. */
export const compressorStage: FindingKind = {
  type: 'finding',
  id: 'compressor-stage',
  title: 'Compressor stage',
  component: 'compressor',
  plateLine: () => 'amps, split and charge are judged on high',
  movedBy: ['the thermostat: it asks for the high stage when the low one is too little'],
  methods: [
    seenIn('heating', ['heating'], 'call-heating', true),
    seenIn('cooling', ['cooling-air', 'cooling'], 'call-cooling', false),
  ],
};

/** The stage a reading of this kind names; undefined where it names none. */
export const stageIn = ({ stage }: Readonly<Record<string, unknown>>): Stage | undefined =>
  stage === 'low' || stage === 'high' ? stage : undefined;
