import type { Plate, SystemKind } from '@yarnix/core';
import type { Random } from './random.ts';

/** What one house's equipment truly draws, before meters and weather. */
export interface ModelHouse {
  readonly kind: SystemKind;
  readonly plate: Plate;
  readonly rated: { readonly herm: number; readonly fan: number | null } | null;
  /** Amps at 77 °F outdoors and full capacitance. */
  readonly compressorAmps: number;
  readonly outdoorFanAmps: number;
  readonly blowerAmps: number;
  /** Rise of compressor amps a year, share. */
  readonly compressorRisePerYear: number;
  /** Change of blower amps a year as the filter and wheel load up, share. */
  readonly blowerDriftPerYear: number;
  readonly lineVolts: number;
}

const TONS = [2, 2.5, 3, 3.5, 4, 5] as const;
const HERM_BY_TONS: Readonly<Record<number, number>> = { 2: 30, 2.5: 35, 3: 40, 3.5: 45, 4: 50, 5: 60 };

const KINDS: readonly [SystemKind, ...SystemKind[]] = [
  'split-heat-pump',
  'split-heat-pump',
  'split-heat-pump',
  'split-air-conditioner',
  'split-air-conditioner',
  'packaged-heat-pump',
  'gas-furnace-with-coil',
  'air-handler-electric-heat',
  'ductless-heat-pump',
];

/** Spellings as they stand on labels. */
function ratingText(random: Random, herm: number, fan: number | null): string {
  const volts = random.chance(0.6) ? 440 : 370;
  if (fan === null) return `${herm} MFD ${volts} VAC`;
  return random.pick([
    `${herm}+${fan} µF ${volts} VAC ±6%`,
    `${herm}/${fan} MFD ${volts}V`,
    `${herm} + ${fan} uF ±6 % ${volts} VAC`,
  ]);
}

const round = (value: number, digits: number): number => Number(value.toFixed(digits));

/** Some plates are only half readable: RLA gone and MCA left, or nothing but the breaker size. */
function hideSome(random: Random, plate: Plate): Plate {
  const fate = random.between(0, 1);
  if (fate < 0.82) return plate;
  const { compressorRla: _rla, ...rest } = plate;
  if (fate < 0.93) return rest;
  const { mca: _mca, ...bare } = rest;
  return bare;
}

const hasCondenser = (kind: SystemKind): boolean =>
  kind !== 'air-handler-electric-heat' && kind !== 'ductless-heat-pump';

/** Draws a house: its kind, its plate, and what its motors truly draw. */
export function drawHouse(random: Random, year: number): ModelHouse {
  const kind = random.pick(KINDS);
  const tons = random.pick(TONS);
  const rla = round(tons * random.between(4.6, 5.4) + 2, 1);
  const fanFla = round(random.between(0.9, 1.8), 1);
  const blowerFla = round(random.between(2.2, 5.8), 1);
  const herm = HERM_BY_TONS[tons] ?? 40;
  const fan = random.chance(0.85) ? random.pick([5, 7.5, 5] as const) : null;
  const condenser = hasCondenser(kind);
  const mca = round(1.25 * rla + fanFla, 1);
  const plate: Plate = {
    make: 'unbranded',
    year,
    refrigerant: year < 2010 ? 'R-22' : 'R-410A',
    tons,
    volts: '208/230',
    hertz: 60,
    blowerFla,
    blowerMotor: random.chance(0.55) ? 'ecm' : 'psc',
    ...(kind === 'air-handler-electric-heat'
      ? {}
      : { compressorRla: rla, mca, mocp: Math.ceil((1.75 * rla + fanFla) / 5) * 5 }),
    ...(condenser
      ? { outdoorFanFla: fanFla, compressorLra: round(rla * 5.2, 0), capacitorRating: ratingText(random, herm, fan) }
      : {}),
    ...(condenser && fan === null ? { fanCapacitorRating: random.pick(['5 µF 440 V', '7.5 MFD 370V'] as const) } : {}),
  };
  return {
    kind,
    plate: condenser ? hideSome(random, plate) : plate,
    rated: condenser ? { herm, fan } : null,
    compressorAmps: rla * random.between(0.66, 0.8),
    outdoorFanAmps: fanFla * random.between(0.68, 0.86),
    blowerAmps: blowerFla * random.between(0.55, 0.8),
    compressorRisePerYear: random.chance(0.16) ? random.between(0.015, 0.035) : random.between(0, 0.004),
    blowerDriftPerYear: random.normal(0, 0.01),
    lineVolts: random.chance(0.06) ? 254 : random.normal(241, 2.5),
  };
}
