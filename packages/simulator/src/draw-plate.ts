import { isHeatPump, saturationPressure, type Plate, type SystemKind } from '@yarnix/core';
import type { Random } from './random.ts';

const TONS = [2, 2.5, 3, 3.5, 4, 5] as const;
const HERM_BY_TONS: Readonly<Record<number, number>> = { 2: 30, 2.5: 35, 3: 40, 3.5: 45, 4: 50, 5: 60 };

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

/** How far the outdoor coil boils below the air in heating, and how hot the indoor coil condenses, °F. */
export const heatingSaturation = (outdoorF: number) => ({ evaporating: outdoorF - 13, condensing: 92 + outdoorF / 4 });

/** A manufacturer's heating chart as it is printed inside the panel: whole psig every 10 °F. */
function heatingChart(refrigerant: string): NonNullable<Plate['heatingChart']> {
  return [20, 30, 40, 50, 60, 70].map((outdoorF) => {
    const { evaporating, condensing } = heatingSaturation(outdoorF);
    const psig = (fahrenheit: number, side: 'bubble' | 'dew') => {
      const read = saturationPressure({ refrigerant, fahrenheit, side });
      return read.outcome === 'value' ? Math.round(read.psig) : undefined;
    };
    return { outdoorF, suctionPsig: psig(evaporating, 'dew'), liquidPsig: psig(condensing, 'bubble') };
  });
}

function electricHeat(random: Random, kind: SystemKind, tons: number): Partial<Plate> {
  if (kind === 'ductless-heat-pump' || kind === 'gas-furnace-with-coil') return {};
  if (kind === 'split-air-conditioner' && random.chance(0.5)) return {};
  const heatKilowatts = tons <= 3 ? 10 : 15;
  const elements = heatKilowatts / 5;
  return {
    heatKilowatts,
    heatVolts: 240,
    heatElements: elements,
    heatCircuits: heatKilowatts > 10 ? 2 : 1,
    heatSwitch: random.chance(0.7) ? 'sequencer' : 'relay',
  };
}

function outdoorPlate(random: Random, tons: number): Partial<Plate> {
  const rla = round(tons * random.between(4.6, 5.4) + 2, 1);
  const fanFla = round(random.between(0.9, 1.8), 1);
  const fan = random.chance(0.85) ? random.pick([5, 7.5, 5] as const) : null;
  return {
    compressorRla: rla,
    compressorLra: round(rla * 5.2, 0),
    outdoorFanFla: fanFla,
    outdoorFanMotor: 'psc',
    mca: round(1.25 * rla + fanFla, 1),
    mocp: Math.ceil((1.75 * rla + fanFla) / 5) * 5,
    capacitorRating: ratingText(random, HERM_BY_TONS[tons] ?? 40, fan),
    ...(fan === null ? { fanCapacitorRating: random.pick(['5 µF 440 V', '7.5 MFD 370V'] as const) } : {}),
    ...(random.chance(0.25)
      ? { startCapacitorRating: random.pick(['88-108 µF 330 V', '108-130 MFD 250 VAC'] as const) }
      : {}),
    metering: random.chance(0.7) ? 'expansion-valve' : 'fixed-orifice',
    targetSubcoolingF: random.whole(8, 13),
    factoryChargeOz: random.whole(70, 180),
  };
}

/** Draws the plates of a house's equipment of a kind, installed in a year. */
export function drawPlate(random: Random, kind: SystemKind, year: number): Plate {
  const tons = random.pick(TONS);
  const refrigerant = year < 2010 ? 'R-22' : 'R-410A';
  const condenser = kind !== 'air-handler-electric-heat' && kind !== 'ductless-heat-pump';
  const rla = round(tons * random.between(3.2, 3.8), 1);
  const plate: Plate = {
    make: 'unbranded',
    year,
    tons,
    volts: '208/230',
    phase: 1,
    hertz: 60,
    filterSize: random.pick(['16×25×1', '20×20×1', '20×25×4'] as const),
    ...(kind === 'air-handler-electric-heat' ? {} : { refrigerant }),
    ...(kind === 'ductless-heat-pump'
      ? { compressorRla: rla, mca: round(1.25 * rla + 1, 1), mocp: 25, panHeaterWatts: 120 }
      : { blowerFla: round(random.between(2.2, 5.8), 1), blowerMotor: random.chance(0.55) ? 'ecm' : 'psc' }),
    ...(condenser ? outdoorPlate(random, tons) : {}),
    ...electricHeat(random, kind, tons),
    ...(kind === 'gas-furnace-with-coil' ? { gasRiseLowF: 35, gasRiseHighF: 65 } : {}),
    ...(isHeatPump(kind) ? { sensorR25: 10_000, sensorBeta: 3435 } : {}),
    ...(isHeatPump(kind) && condenser
      ? {
          defrostControl: random.chance(0.6) ? ('demand' as const) : ('time-temperature' as const),
          defrostIntervalMin: random.pick([30, 60, 90] as const),
          defrostTerminationF: random.pick([50, 70, 70, 80] as const),
          ...(random.chance(0.7) ? { heatingChart: heatingChart(refrigerant) } : {}),
        }
      : {}),
  };
  const whole =
    plate.blowerMotor === 'psc'
      ? { ...plate, blowerCapacitorRating: tons > 2.5 ? '10 µF 370 V' : '7.5 µF 370 V' }
      : plate;
  return condenser ? hideSome(random, whole) : whole;
}
