import type { SystemKind } from '../../equipment/system-kind.ts';
import { judged } from '../../testing/reading.ts';
import { compressorStage as kind, stageIn } from './compressor-stage.ts';

const asked = (systemKind: SystemKind, compressorStages?: 1 | 2) =>
  kind.methods.flatMap((m) => m.points({ systemKind, plate: compressorStages ? { compressorStages } : {} } as never));

test('the stage is asked for where there are two, once for each mode the compressor has', () => {
  expect(asked('split-heat-pump', 2)).toEqual(['call-heating', 'call-cooling']);
  expect(asked('split-air-conditioner', 2)).toEqual(['call-cooling']);
  expect(asked('gas-furnace-with-coil', 2)).toEqual(['call-cooling']);
  expect(asked('split-heat-pump', 1)).toEqual([]);
  expect(asked('split-heat-pump')).toEqual([]);
  // It sets its own speed: there is no stage to name.
  expect(asked('ductless-heat-pump', 2)).toEqual([]);
});

test('a stage is noted, and condemns nothing', () => {
  expect(judged(kind, { stage: 'low' }, { point: 'call-heating' })).toMatchObject({ standing: 'sound' });
  expect([stageIn({ stage: 'low' }), stageIn({ stage: 'high' })]).toEqual(['low', 'high']);
  expect([stageIn({}), stageIn({ stage: 'middle' })]).toEqual([undefined, undefined]);
});
