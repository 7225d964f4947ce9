import { open, poor, stuck, type Line } from './line.ts';

/** Electric heat: its switch, its elements and what guards them. */
export const HEAT = {
  'sequencer-welded': {
    ...stuck('sequencer', 'sequencer.1', 'closed'),
    or: [2, 3, 4].map((i) => [{ stuck: `sequencer.${i}`, at: 'closed' as const }]),
  },
  'sequencer-coil-open': open('sequencer', 'sequencer.coil'),
  'sequencer-late': poor('sequencer', 'sequencer.1'),
  'sequencer-second-late': poor('sequencer', 'sequencer.2'),
  'heat-relay-welded': stuck('heat-relay', 'heat-relay.1', 'closed'),
  'heat-relay-coil-open': open('heat-relay', 'heat-relay.coil'),
  'heat-relay-burnt': poor('heat-relay', 'heat-relay.1'),
  'element-open': open('electric-heat', 'element-1'),
  'element-2-open': open('electric-heat', 'element-2'),
  'fuse-link-open': open('electric-heat', 'link-1'),
  'heat-limit-open': open('electric-heat', 'limit-1'),
  'element-on-metal': { slot: 'electric-heat', does: [{ join: ['n1e', 'ground'], ohms: 6 }] },
} as const satisfies Record<string, Line>;
