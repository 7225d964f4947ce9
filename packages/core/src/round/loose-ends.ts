/** What a round leaves lifted, moved, pulled or open until it is put back. */
export const LOOSE_ENDS = {
  'thermostat-moved': { name: 'Thermostat not set back', putBack: 'Thermostat back to the customer’s setting' },
  'strip-wire-lifted': { name: 'Electric heat’s control wire lifted', putBack: 'Control wire back on its terminal' },
  'fan-lead-pulled': { name: 'Outdoor fan lead pulled', putBack: 'Fan lead back on' },
  'jumper-moved': { name: 'Jumper moved', putBack: 'Jumper back where it was, or noted as changed' },
  'sensor-unplugged': { name: 'Sensor unplugged', putBack: 'Sensor plugged in, in its place' },
  'probes-in-ducts': { name: 'Probes in the ducts', putBack: 'Probes out, holes plugged' },
  'gauges-on': { name: 'Gauges on the ports', putBack: 'Gauges off, caps on and tight' },
  'wires-lifted': { name: 'Wires lifted', putBack: 'Wires back, each on its lug' },
  'thermostat-wire-off': { name: 'Thermostat wire off', putBack: 'Thermostat wire back on' },
  'breaker-off': { name: 'Breaker off', putBack: 'Breaker on' },
  'disconnect-out': { name: 'Disconnect out', putBack: 'Disconnect in, the right way up' },
  'outdoor-panel-off': { name: 'Outdoor panel off', putBack: 'Outdoor panel on, all screws' },
  'indoor-panel-off': { name: 'Indoor panel off', putBack: 'Indoor panel on, door switch made' },
} as const;
export type LooseEndCode = keyof typeof LOOSE_ENDS;
export const LOOSE_END_CODES = Object.keys(LOOSE_ENDS) as [LooseEndCode, ...LooseEndCode[]];

/** One loose end of a round: opened by an instruction or by hand, put back, or left with a reason. */
export interface LooseEnd {
  readonly id: string;
  /** One of the usual ones; null for what was noted by hand. */
  readonly code: LooseEndCode | null;
  /** What it is, when noted by hand; else what more is to be said of it. */
  readonly text: string;
  /** UTC. */
  readonly openedAt: string;
  readonly putBackAt: string | null;
  /** Why the round may close over it. */
  readonly leftBecause: string | null;
}

/** What hangs loose, in words. */
export const nameOfLooseEnd = (end: Pick<LooseEnd, 'code' | 'text'>): string =>
  end.code === null ? end.text : `${LOOSE_ENDS[end.code].name}${end.text ? `: ${end.text}` : ''}`;

/** Whether it still hangs loose: neither put back nor left with a reason. */
export const isLoose = (end: LooseEnd): boolean => end.putBackAt === null && !end.leftBecause?.trim();

/** Those a round cannot be closed over. */
export const stillLoose = (ends: readonly LooseEnd[]): LooseEnd[] => ends.filter(isLoose);
