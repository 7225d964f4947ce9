import { looksOf } from './looks.ts';

/** The low-voltage fuse held against what its board says: where one was noted, it is a part. */
export const controlFuseLooks = looksOf({
  id: 'control-fuse-looks',
  title: 'Low-voltage fuse looked at',
  component: 'control-fuse',
  method: 'in its holder, power off',
  stop: 'off-indoor',
  order: 45,
  stopsFor: ({ systemKind }) => (systemKind === 'packaged-heat-pump' ? ['off-outdoor'] : null),
  plateLine: ({ plate: { controlFuseAmps } }) =>
    controlFuseAmps === undefined ? 'amps as the board says' : `${controlFuseAmps} A on the board`,
  none: { value: 'fuse-right', label: 'Whole, as the board says' },
  options: {
    'fuse-blown': 'Blown',
    'fuse-larger': 'Larger than the board says',
    'fuse-smaller': 'Smaller',
    'fuse-bridged': 'Bridged or wrapped',
  },
});
