/** Which parts a system has, and a firm's settings, as they were when 0002 was written: what is live now may change. */

type Kind =
  | 'split-air-conditioner'
  | 'split-heat-pump'
  | 'packaged-heat-pump'
  | 'air-handler-electric-heat'
  | 'gas-furnace-with-coil'
  | 'ductless-heat-pump';

export interface SystemThen {
  readonly kind: Kind;
  readonly plate: Readonly<Record<string, unknown>>;
}

interface PartThen {
  readonly slot: string;
  readonly kind: string;
  readonly plate: { readonly rating?: unknown };
}

const RATINGS: Readonly<Record<string, string>> = {
  'run-capacitor': 'capacitorRating',
  'fan-capacitor': 'fanCapacitorRating',
  'start-capacitor': 'startCapacitorRating',
};

export function partsThen({ kind, plate }: SystemThen): PartThen[] {
  const hasOutdoorUnit = kind !== 'air-handler-electric-heat';
  const isDuctless = kind === 'ductless-heat-pump';
  const hasContactor = hasOutdoorUnit && !isDuctless;
  const hasBoard = kind.endsWith('heat-pump') && !isDuctless;
  const hasSensors = isDuctless || (hasBoard && plate.defrostControl !== 'time-temperature');
  const hasStrips = kind === 'air-handler-electric-heat' || plate.heatKilowatts !== undefined;
  const parts: (readonly [slot: string, kind: string, has: boolean])[] = [
    ['supply', 'supply', true],
    ['thermostat', 'thermostat', true],
    ['transformer', 'transformer', !isDuctless],
    ['compressor', 'compressor', hasOutdoorUnit],
    ['run-capacitor', 'run-capacitor', hasContactor],
    ['fan-capacitor', 'run-capacitor', hasContactor && Boolean(plate.fanCapacitorRating)],
    ['start-capacitor', 'start-capacitor', hasContactor && Boolean(plate.startCapacitorRating)],
    ['outdoor-fan', 'outdoor-fan', hasContactor],
    ['contactor', 'contactor', hasContactor],
    ['high-pressure-switch', 'pressure-switch', hasContactor],
    ['low-pressure-switch', 'pressure-switch', hasContactor],
    ['refrigerant-circuit', 'refrigerant-circuit', hasContactor],
    ['outdoor-unit', 'outdoor-unit', hasOutdoorUnit],
    ['defrost-board', 'defrost-board', hasBoard],
    ['coil-sensor', 'temperature-sensor', hasSensors],
    ['outdoor-sensor', 'temperature-sensor', hasSensors],
    ['base-pan-heater', 'base-pan-heater', isDuctless || plate.panHeaterWatts !== undefined],
    ['blower', 'blower', !isDuctless],
    ['blower-relay', 'blower-relay', !isDuctless && plate.blowerMotor !== 'ecm'],
    ['electric-heat', 'electric-heat', hasStrips],
    ['sequencer', 'sequencer', hasStrips && plate.heatSwitch !== 'relay'],
    ['gas-heat', 'gas-heat', kind === 'gas-furnace-with-coil'],
    ['air-side', 'air-side', true],
    ['indoor-unit', 'indoor-unit', kind !== 'packaged-heat-pump'],
  ];
  return parts
    .filter(([, , has]) => has)
    .map(([slot, part]) => {
      const rating = plate[RATINGS[slot] ?? ''];
      return { slot, kind: part, plate: rating === undefined ? {} : { rating } };
    });
}

export const POLICY_THEN = {
  capacitor: {
    school: 'printed',
    unprintedTolerancePercent: 6,
    watchFrom: 0.6,
    baselineDropPercent: 6,
    replacementPercent: 5,
  },
  amps: { watchFrom: 0.9, baselinePercent: 15, farBelowPercent: 35 },
  lineVolts: { goodPercent: 5, lowShare: 208 / 240, highMultiple: 256 / 240 },
  controlVolts: { goodLow: 24, goodHigh: 28, low: 18, high: 30 },
  electricHeat: { tolerancePercent: 10, zeroAmps: 0.5, closingSeconds: 90 },
  air: {
    splitLowF: 15,
    splitHighF: 22,
    humidityLow: 40,
    humidityHigh: 65,
    cfmPerTonLow: 350,
    cfmPerTonHigh: 450,
    capacityShare: 0.75,
    leastRunningMin: 8,
    roomF: 3,
  },
  refrigerant: {
    subcoolingToleranceF: 3,
    superheatToleranceF: 5,
    valveSuperheatLowF: 5,
    valveSuperheatHighF: 20,
    usualSubcoolingLowF: 8,
    usualSubcoolingHighF: 14,
    chartPercent: 7,
    leastRunningMin: 10,
  },
  defrost: { school: 'raise-50', longestMin: 10, sensorErrorF: 5 },
  coils: {
    contactorLowOhms: 10,
    contactorHighOhms: 20,
    relayLowOhms: 40,
    relayHighOhms: 100,
    baselinePercent: 25,
  },
  contactDrop: { watchVolts: 0.5, mostVolts: 2 },
  trend: { watchChance: 0.2, actChance: 0.5, leastReadings: 3, askAgainChance: 0.8 },
  roundMonths: [4, 10],
};
