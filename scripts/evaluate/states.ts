import type { Plate, SystemKind } from '@yarnix/core';
import { stateTable, type StateCell } from '@yarnix/core/testing';

/**
 * npm run evaluate -- states: one reading alone, at every place of four machines, in every state it may be taken in, with every fault:
 * what is made of it. No part may be condemned that is sound; what can tell should condemn; what cannot should say so.
 */
const MACHINES: readonly (readonly [string, SystemKind, Plate])[] = [
  [
    'split heat pump',
    'split-heat-pump',
    {
      tons: 3,
      compressorRla: 16,
      outdoorFanFla: 1.4,
      blowerFla: 4,
      blowerMotor: 'psc',
      heatKilowatts: 10,
      heatElements: 2,
    },
  ],
  [
    'air handler',
    'air-handler-electric-heat',
    { blowerFla: 4, blowerMotor: 'psc', heatKilowatts: 20, heatElements: 4 },
  ],
  [
    'gas furnace with coil',
    'gas-furnace-with-coil',
    { tons: 3, compressorRla: 16, outdoorFanFla: 1.4, blowerFla: 6, blowerMotor: 'psc' },
  ],
  ['split air conditioner', 'split-air-conditioner', { tons: 3, compressorRla: 16, outdoorFanFla: 1.4 }],
];

/** A plain congruential generator: the same table each time. */
function drawing(seed: number): () => number {
  let at = seed;
  return () => (at = (at * 48_271) % 2_147_483_647) / 2_147_483_647;
}

const share = (some: number, all: number): string => (all === 0 ? '–' : `${((100 * some) / all).toFixed(1)} %`);
const count = (cells: readonly StateCell[], which: (cell: StateCell) => boolean): number => cells.filter(which).length;

/** What asks for something to be done. */
const ACTS: readonly StateCell['says'][] = ['condemned', 'elsewhere', 'faulty'];

console.log(
  'machine                 cells  sound parts condemned  can tell  of these condemned  cannot tell, condemned  sound, said faulty  shows a fault  of these said',
);
for (const [name, kind, plate] of MACHINES) {
  const cells = [...stateTable(kind, plate, drawing(20_261_201))];
  const wrong = cells.filter(({ fault, says }) => fault !== 'own' && says === 'condemned');
  const tell = cells.filter(({ fault, canTell }) => fault === 'own' && canTell);
  const silent = cells.filter(({ canTell }) => !canTell);
  const shows = cells.filter(({ fault, showsFault }) => fault !== 'sound' && showsFault);
  const blamed = cells.filter(({ fault, says }) => fault === 'sound' && ACTS.includes(says));
  console.log(
    [
      name.padEnd(22),
      String(cells.length).padStart(6),
      String(wrong.length).padStart(22),
      String(tell.length).padStart(9),
      share(
        count(tell, ({ says }) => says === 'condemned'),
        tell.length,
      ).padStart(19),
      share(
        count(silent, ({ says }) => says === 'condemned'),
        silent.length,
      ).padStart(23),
      String(blamed.length).padStart(19),
      String(shows.length).padStart(14),
      share(
        count(shows, ({ says }) => ACTS.includes(says)),
        shows.length,
      ).padStart(14),
    ].join(' '),
  );
  const list = (title: string, some: readonly StateCell[]) => {
    const by = new Map<string, number>();
    for (const { reading, cause, says, state } of some) {
      const line = `${reading} ${cause} ${state.call} ${state.after}: ${says}`;
      by.set(line, (by.get(line) ?? 0) + 1);
    }
    if (by.size > 0) console.log(`  ${title}`);
    for (const [line, times] of [...by].sort((a, b) => b[1] - a[1]).slice(0, 8)) console.log(`    ${times} × ${line}`);
  };
  const meant = (some: readonly StateCell[], says: (cell: StateCell) => boolean): string => {
    const there = some.filter(({ isMeant }) => isMeant);
    return `${share(count(there, says), there.length)} of ${there.length}`;
  };
  console.log(
    `  in the state that was meant: condemned where it can tell ${meant(tell, ({ says }) => says === 'condemned')}, cause asked for where no sound machine reads so ${meant(shows, ({ says }) => ACTS.includes(says))}`,
  );
  list('condemned though sound', wrong);
  list('said to be faulty though sound', blamed);
  list(
    'can tell, not condemned',
    tell.filter(({ says }) => says !== 'condemned'),
  );
  list(
    'shows a fault, not said',
    shows.filter(({ says }) => !ACTS.includes(says)),
  );
}
