import type { Plate } from '@yarnix/core';

type Line = readonly [label: string, value: string | undefined];

const amps = (value: number | undefined) => (value === undefined ? undefined : `${value} A`);

const linesOf = (plate: Plate): Line[] => [
  ['Make', [plate.make, plate.model].filter(Boolean).join(' ') || undefined],
  ['Serial', plate.serial],
  ['Year', plate.year?.toString()],
  ['Supply', plate.volts && `${plate.volts} V, ${plate.hertz ?? 60} Hz`],
  ['Nominal cooling', plate.tons === undefined ? undefined : `${plate.tons} tons`],
  ['Refrigerant', plate.refrigerant],
  ['Compressor RLA', amps(plate.compressorRla)],
  ['Compressor LRA', amps(plate.compressorLra)],
  ['Outdoor fan FLA', amps(plate.outdoorFanFla)],
  ['Blower FLA', amps(plate.blowerFla)],
  ['Blower motor', plate.blowerMotor?.toUpperCase()],
  ['MCA', amps(plate.mca)],
  ['Fuse or breaker', amps(plate.mocp)],
];

/** A plate as it was read; what could not be read is left out. */
export const PlateList = ({ plate }: { plate: Plate }) => (
  <dl>
    {linesOf(plate)
      .filter(([, value]) => value)
      .map(([label, value]) => (
        <div key={label} className="flex justify-between gap-4 border-t border-rule py-1.5">
          <dt className="label">{label}</dt>
          <dd className="font-semibold">{value}</dd>
        </div>
      ))}
  </dl>
);
