import {
  componentsFor,
  isHeatPump,
  SENSOR_CURVES,
  SWITCH_ORDER_NAMES,
  type Plate,
  type RatingField,
  type Slot,
  type SystemKind,
} from '@yarnix/core';
import type { Control, FieldErrors, FieldValues, UseFormRegister } from 'react-hook-form';
import { Field, SelectField } from '../../kit/field.tsx';
import { numberOf, textOf } from './plate-form.ts';
import { PlateRows } from './plate-rows.tsx';
import { RatingReadout } from '../../kit/rating-readout.tsx';

interface PlateFieldsProps {
  readonly kind: SystemKind;
  /** The plate as far as it makes sense already. */
  readonly plate: Plate;
  readonly control: Control<FieldValues>;
  readonly register: UseFormRegister<FieldValues>;
  readonly errors: FieldErrors<Plate> | undefined;
}

const rows = 'grid gap-4 sm:grid-cols-2 lg:grid-cols-4';
const wide = 'grid gap-4 sm:grid-cols-2';

/** The makers of one kind of input each, bound to the form. */
function makers({ register, errors, plate }: PlateFieldsProps) {
  const messageOf = (name: keyof Plate): string | undefined => {
    const error = errors?.[name] as { message?: string } | undefined;
    return error?.message;
  };
  return {
    messageOf,
    number: (name: keyof Plate, label: string, unit?: string) => (
      <Field
        label={label}
        inputMode="decimal"
        autoComplete="off"
        {...(unit ? { unit } : {})}
        error={messageOf(name)}
        {...register(`plate.${name}`, { setValueAs: numberOf })}
      />
    ),
    text: (name: keyof Plate, label: string) => (
      <Field
        label={label}
        autoComplete="off"
        error={messageOf(name)}
        {...register(`plate.${name}`, { setValueAs: textOf })}
      />
    ),
    circuitAmps: (at: number) => (
      <Field
        key={at}
        label={`Amps of circuit ${at + 1}`}
        unit="A"
        inputMode="decimal"
        autoComplete="off"
        error={(errors?.heatCircuitAmps as { message?: string }[] | undefined)?.[at]?.message}
        {...register(`plate.heatCircuitAmps.${at}`, { setValueAs: numberOf })}
      />
    ),
    choice: (name: keyof Plate, label: string, options: readonly (readonly [string, string])[], isNumber = false) => (
      <SelectField
        label={label}
        options={[['', 'not known'], ...options]}
        error={messageOf(name)}
        {...register(`plate.${name}`, { setValueAs: isNumber ? numberOf : textOf })}
      />
    ),
    rating: (name: RatingField, label: string, like: string) => (
      <Field
        label={label}
        autoComplete="off"
        placeholder={like}
        error={messageOf(name)}
        hint={plate[name] ? <RatingReadout text={plate[name]} /> : undefined}
        {...register(`plate.${name}`, { setValueAs: textOf })}
      />
    ),
  };
}

function OutdoorFields(props: PlateFieldsProps) {
  const { number, choice, rating } = makers(props);
  const parts = new Set<Slot>(componentsFor(props.kind, props.plate).map((p) => p.slot));
  if (!parts.has('compressor')) return null;
  const condenser = parts.has('run-capacitor');
  return (
    <>
      {condenser && (
        <fieldset className={wide}>
          <legend className="mb-2 text-lg font-bold">Capacitors, as printed</legend>
          {rating('capacitorRating', 'Dual, or the compressor’s single', '45+5 µF 440 V')}
          {rating('fanCapacitorRating', 'The fan’s own, if there are two', '5 µF 440 V')}
          {rating('startCapacitorRating', 'Start capacitor, if there is one', '88-108 µF 330 V')}
        </fieldset>
      )}
      <fieldset className={rows}>
        <legend className="mb-2 text-lg font-bold">Outdoor plate</legend>
        {condenser &&
          choice(
            'compressorStages',
            'Compressor stages',
            [
              ['1', 'One'],
              ['2', 'Two: low and high'],
            ],
            true,
          )}
        {number('compressorRla', 'Compressor RLA', 'A')}
        {number('compressorLra', 'Compressor LRA', 'A')}
        {condenser && number('outdoorFanFla', 'Outdoor fan FLA', 'A')}
        {number('mca', 'Minimum circuit ampacity', 'A')}
        {number('mocp', 'Largest fuse or breaker', 'A')}
        {number('tons', 'Nominal cooling', 'tons')}
      </fieldset>
      <fieldset className={rows}>
        <legend className="mb-2 text-lg font-bold">Refrigerant</legend>
        {makers(props).text('refrigerant', 'Refrigerant')}
        {number('factoryChargeOz', 'Factory charge', 'oz')}
        {condenser &&
          choice('metering', 'Metering device', [
            ['fixed-orifice', 'Fixed orifice'],
            ['expansion-valve', 'Expansion valve'],
          ])}
        {condenser && number('targetSubcoolingF', 'Target subcooling', '°F')}
        {number('altitudeFt', 'Altitude', 'ft')}
      </fieldset>
    </>
  );
}

function IndoorFields(props: PlateFieldsProps) {
  const { number, text, choice, rating, circuitAmps } = makers(props);
  const parts = new Set<Slot>(componentsFor(props.kind, props.plate).map((p) => p.slot));
  const mayHaveStrips = props.kind !== 'ductless-heat-pump' && props.kind !== 'gas-furnace-with-coil';
  return (
    <>
      {(parts.has('blower') || !parts.has('compressor')) && (
        <fieldset className={rows}>
          <legend className="mb-2 text-lg font-bold">Blower and filter</legend>
          {number('blowerFla', 'Blower FLA', 'A')}
          {choice('blowerMotor', 'Blower motor', [
            ['psc', 'PSC'],
            ['ecm', 'ECM'],
          ])}
          {props.plate.blowerMotor !== 'ecm' && rating('blowerCapacitorRating', 'Blower capacitor', '10 µF 370 V')}
          {text('filterSize', 'Filter size')}
          {number('controlFuseAmps', 'Low-voltage fuse', 'A')}
          {!parts.has('compressor') && number('tons', 'Nominal cooling', 'tons')}
        </fieldset>
      )}
      {mayHaveStrips && (
        <fieldset className={rows}>
          <legend className="mb-2 text-lg font-bold">Electric heat, if it has any</legend>
          {number('heatKilowatts', 'Rated power', 'kW')}
          {number('heatVolts', 'At', 'V')}
          {number('heatElements', 'Elements')}
          {number('heatCircuits', 'Circuits')}
          {Array.from({ length: props.plate.heatCircuits ?? 0 }, (_, i) => circuitAmps(i))}
          {choice('heatSwitch', 'Switched by', [
            ['sequencer', 'Sequencer'],
            ['relay', 'Relay'],
          ])}
        </fieldset>
      )}
      {parts.has('gas-heat') && (
        <fieldset className={rows}>
          <legend className="mb-2 text-lg font-bold">Gas heat</legend>
          {number('gasRiseLowF', 'Rise from', '°F')}
          {number('gasRiseHighF', 'Rise to', '°F')}
        </fieldset>
      )}
    </>
  );
}

function HeatPumpFields(props: PlateFieldsProps) {
  const { number, choice, messageOf } = makers(props);
  if (!isHeatPump(props.kind)) return null;
  const ductless = props.kind === 'ductless-heat-pump';
  return (
    <>
      <fieldset className={rows}>
        <legend className="mb-2 text-lg font-bold">
          {ductless ? 'Pan heater and sensors' : 'Defrost and sensors'}
        </legend>
        {!ductless &&
          choice('defrostControl', 'Defrost control', [
            ['time-temperature', 'Time and temperature'],
            ['demand', 'Demand'],
          ])}
        {!ductless && number('defrostIntervalMin', 'Interval', 'min')}
        {!ductless && number('defrostTerminationF', 'Ends at', '°F')}
        {!ductless &&
          choice('pressureSwitches', 'Pressure switches, from the board on', Object.entries(SWITCH_ORDER_NAMES))}
        {ductless && number('panHeaterWatts', 'Base pan heater', 'W')}
        {choice(
          'sensorCurve',
          'Sensor curve, by name',
          Object.entries(SENSOR_CURVES).map(([id, { name }]) => [id, name] as const),
        )}
        {number('sensorR25', 'Sensor at 77 °F', 'Ω')}
        {number('sensorBeta', 'Sensor beta', 'K')}
      </fieldset>
      <PlateRows
        name="plate.sensorChart"
        chart="sensorChart"
        title="Sensor chart, instead of R25 and beta"
        columns={[
          { name: 'fahrenheit', label: '°F' },
          { name: 'ohms', label: 'Ω' },
        ]}
        control={props.control}
        register={props.register}
        error={messageOf('sensorChart')}
      />
      {!ductless && (
        <PlateRows
          name="plate.heatingChart"
          chart="heatingChart"
          title="Heating chart from inside the panel"
          columns={[
            { name: 'outdoorF', label: 'Outdoor °F' },
            { name: 'suctionPsig', label: 'Suction psig' },
            { name: 'liquidPsig', label: 'Liquid psig' },
          ]}
          control={props.control}
          register={props.register}
          error={messageOf('heatingChart')}
        />
      )}
    </>
  );
}

/** Every figure of a system's plates, as its kind has them; all may be left out. */
export function PlateFields(props: PlateFieldsProps) {
  const { number, text, choice } = makers(props);
  return (
    <>
      <fieldset className={rows}>
        <legend className="mb-2 text-lg font-bold">Make and supply</legend>
        {text('make', 'Make')}
        {text('model', 'Model')}
        {text('serial', 'Serial')}
        {number('year', 'Year')}
        {choice('volts', 'Volts', [
          ['208/230', '208/230 V'],
          ['230', '230 V'],
          ['208', '208 V'],
          ['115', '115 V'],
        ])}
        {choice(
          'hertz',
          'Hertz',
          [
            ['60', '60 Hz'],
            ['50', '50 Hz'],
          ],
          true,
        )}
        {choice(
          'phase',
          'Phase',
          [
            ['1', 'single phase'],
            ['3', 'three phase'],
          ],
          true,
        )}
      </fieldset>
      <OutdoorFields {...props} />
      <IndoorFields {...props} />
      <HeatPumpFields {...props} />
      <fieldset className="grid gap-4">
        <legend className="mb-2 text-lg font-bold">Where things are</legend>
        {text('whereabouts', 'Units, filter, disconnect, breaker')}
        <PlateRows
          name="plate.wires"
          title="Which wire was on which lug"
          columns={[
            { name: 'on', label: 'On', isText: true },
            { name: 'lug', label: 'Lug', isText: true },
            { name: 'color', label: 'Wire', isText: true },
          ]}
          control={props.control}
          register={props.register}
        />
      </fieldset>
    </>
  );
}
