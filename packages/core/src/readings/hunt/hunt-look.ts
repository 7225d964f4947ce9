import { chosen, huntKind } from './circuit-kind.ts';

const say = (words: Readonly<Record<string, string>>) =>
  Object.entries(words).map(([value, label]) => ({ value, label }));

/** What is turned by hand, seen, heard, or read off a scale that says itself what is usual. Usual figures: common practice, no source. */
export const huntLook = huntKind('hunt-look', 'Seen', [
  chosen('coil', 'by eye, light behind it', ['coil-outdoors'], say({ clean: 'Clean', dirty: 'Dirty or blocked' })),
  chosen(
    'supply-air',
    'cooling called for some minutes, hand at a register',
    ['supply-air'],
    say({ cold: 'Colder than the room', 'as-room': 'As the room', warm: 'Warmer than the room' }),
  ),
  chosen(
    'heating-rise',
    'two probes, strips off, settled; usual is 12 °F and a quarter of the outdoor °F',
    ['heating-rise'],
    say({ little: 'Under four fifths of it', usual: 'As usual', much: 'Over by a quarter or more' }),
  ),
  chosen(
    'by-hand',
    'power off, turned by hand',
    ['outdoor-fan-by-hand', 'blower-by-hand'],
    say({ free: 'Turns freely', drags: 'Drags or is stuck' }),
  ),
  chosen(
    'after-defrost',
    'once a forced defrost has ended',
    ['frost-left'],
    say({ clear: 'Clear all over', bands: 'Bands of frost left', 'base-ice': 'Ice growing from the base' }),
  ),
  chosen(
    'fuse',
    'a new fuse, or a small breaker in its place',
    ['lifted-none', 'lifted-y', 'lifted-o', 'lifted-cable', 'lifted-coil', 'lifted-r-outdoors'],
    say({ held: 'It held', blew: 'It blew' }),
  ),
  chosen(
    'static-pressure',
    'manometer, before and behind the unit',
    ['static-pressure'],
    say({ usual: 'Under 0.75 in wc', high: '0.75 in wc or more' }),
  ),
  chosen(
    'at-rest',
    'gauge, ten minutes off',
    ['at-rest'],
    say({ right: 'As the chart says for the air', low: 'Well under it' }),
  ),
  chosen('gas-inlet', 'manometer, heat called', ['gas-inlet'], say({ right: '4 in wc or more', low: 'Under 4 in wc' })),
  chosen(
    'flame-signal',
    'microamps in the sensor’s wire',
    ['flame-signal'],
    say({ good: '1 µA or more', low: 'Under 1 µA' }),
  ),
  chosen(
    'compressor-share',
    'clamp, against its own usual',
    ['compressor-share'],
    say({ little: 'Under three quarters', usual: 'As usual', much: 'Over by a sixth or more' }),
  ),
]);
