import type { Plate } from '@yarnix/core';

type Line = readonly [label: string, value: string | undefined];

const amps = (value: number | undefined) => (value === undefined ? undefined : `${value} A`);

function electricHeat({ heatKilowatts, heatElements, heatCircuits }: Plate): string | undefined {
  if (heatKilowatts === undefined) return undefined;
  const elements = heatElements === undefined ? '' : `, ${heatElements} elements`;
  return `${heatKilowatts} kW${elements}${heatCircuits === undefined ? '' : `, ${heatCircuits} circuits`}`;
}

const linesOf = (plate: Plate): Line[] => [
  ['Make', [plate.make, plate.model].filter(Boolean).join(' ') || undefined],
  ['Serial', plate.serial],
  ['Year', plate.year?.toString()],
  ['Supply', plate.volts && `${plate.volts} V, ${plate.hertz ?? 60} Hz`],
  ['Nominal cooling', plate.tons === undefined ? undefined : `${plate.tons} tons`],
  ['Refrigerant', plate.refrigerant],
  ['Factory charge', plate.factoryChargeOz === undefined ? undefined : `${plate.factoryChargeOz} oz`],
  ['Metering', plate.metering?.replace('-', ' ')],
  ['Target subcooling', plate.targetSubcoolingF === undefined ? undefined : `${plate.targetSubcoolingF} °F`],
  ['Compressor stages', plate.compressorStages?.toString()],
  ['Compressor RLA', amps(plate.compressorRla)],
  ['Compressor LRA', amps(plate.compressorLra)],
  ['Outdoor fan FLA', amps(plate.outdoorFanFla)],
  ['Blower FLA', amps(plate.blowerFla)],
  ['Blower motor', plate.blowerMotor?.toUpperCase()],
  ['Electric heat', electricHeat(plate)],
  ['Gas rise', plate.gasRiseLowF === undefined ? undefined : `${plate.gasRiseLowF} to ${plate.gasRiseHighF ?? '?'} °F`],
  ['Defrost', plate.defrostControl?.replace('-', ' and ')],
  ['Pressure switches', plate.pressureSwitches?.replace('-only', ' only').replace('-', ', then ')],
  ['Defrost ends at', plate.defrostTerminationF === undefined ? undefined : `${plate.defrostTerminationF} °F`],
  ['Start capacitor', plate.startCapacitorRating],
  ['Base pan heater', plate.panHeaterWatts === undefined ? undefined : `${plate.panHeaterWatts} W`],
  ['Filter', plate.filterSize],
  ['MCA', amps(plate.mca)],
  ['Fuse or breaker', amps(plate.mocp)],
  ['Low-voltage fuse', amps(plate.controlFuseAmps)],
];

/** A plate as it was read, with the wires noted; what could not be read is left out. */
export const PlateList = ({ plate }: { plate: Plate }) => (
  <>
    <PlateLines plate={plate} />
    {plate.whereabouts && <p className="border-t border-rule py-1.5">{plate.whereabouts}</p>}
    {plate.wires && plate.wires.length > 0 && (
      <table className="w-full border-t border-rule text-left">
        <caption className="label py-1 text-left">Wires</caption>
        <tbody>
          {plate.wires.map((wire) => (
            <tr key={`${wire.on}/${wire.lug}/${wire.color}`}>
              <th scope="row" className="py-0.5 font-semibold">
                {wire.on}
              </th>
              <td>{wire.lug}</td>
              <td>{wire.color}</td>
            </tr>
          ))}
        </tbody>
      </table>
    )}
  </>
);

const PlateLines = ({ plate }: { plate: Plate }) => (
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
