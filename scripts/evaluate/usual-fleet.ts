import type { FleetNature } from '@yarnix/simulator';

/** How the fleets are that evaluations are made with, unless one asks for something else. */
export const usual: FleetNature = {
  drifting: 0.25,
  fast: 0.1,
  bending: 0.1,
  pace: 1,
  noise: 1,
  oddChance: 0.012,
  stepChance: 0.008,
  years: [2, 8],
};
