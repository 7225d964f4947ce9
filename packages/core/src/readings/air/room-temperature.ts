import type { NumericKind } from '../contract/kind.ts';
import { taken, unworn, windowLimits } from '../contract/window.ts';

/** How far the room is from what the thermostat asks for, °F: first of all, compare the complaint. */
export const roomTemperature: NumericKind = {
  type: 'number',
  id: 'room-temperature',
  title: 'Room against set point',
  component: 'thermostat',
  unit: '°F',
  plateLine: () => 'note the set point: it is put back at the end',
  ...unworn,
  movedBy: ['the hour', 'when the set point was last changed'],
  methods: [
    {
      id: 'thermostat',
      title: 'thermostat and thermometer',
      stops: ['arrive'],
      order: 20,
      points: () => ['whole'],
      inputs: [
        { id: 'setF', type: 'number', label: 'Set point', unit: '°F', overLimit: false },
        { id: 'roomF', type: 'number', label: 'Room', unit: '°F', overLimit: false, probe: 'psychrometer' },
      ],
      evaluate: (inputs) => taken(Number(inputs.roomF) - Number(inputs.setF)),
      error: () => 1,
    },
  ],
  limits: (_about, { air }) =>
    windowLimits('room-departure', {
      nominal: 0,
      lower: -2 * air.roomF,
      upper: 2 * air.roomF,
      watchLower: -air.roomF,
      watchUpper: air.roomF,
    }),
  plausible: () => ({ low: -25, high: 25 }),
};
