import { open, stuck, type Line } from './line.ts';

/** Electric heat: its switch, its elements and what guards them. */
export const HEAT = {
  'sequencer-welded': stuck('sequencer', 'sequencer.1', 'closed'),
  'sequencer-coil-open': open('sequencer', 'sequencer.coil'),
  'sequencer-late': stuck('sequencer', 'sequencer.1', 'open'),
  'sequencer-second-late': stuck('sequencer', 'sequencer.2', 'open'),
  'heat-relay-welded': stuck('heat-relay', 'heat-relay.1', 'closed'),
  'heat-relay-coil-open': open('heat-relay', 'heat-relay.coil'),
  'heat-relay-burnt': stuck('heat-relay', 'heat-relay.1', 'open'),
  'element-open': open('electric-heat', 'element-1'),
  'element-2-open': open('electric-heat', 'element-2'),
  'fuse-link-open': open('electric-heat', 'link-1'),
  'heat-limit-open': open('electric-heat', 'limit-1'),
  'element-on-metal': { slot: 'electric-heat', does: [{ join: ['n1e', 'ground'], ohms: 6 }] },
} as const satisfies Record<string, Line>;
