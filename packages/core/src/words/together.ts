import type { TogetherId } from '../verdict/together.ts';

interface TogetherWords {
  readonly title: string;
  readonly rulesIn: string;
  readonly rulesOut: string;
  readonly nextTest: string;
}

/** What is said of each finding over several readings. */
export const TOGETHER_WORDS: Readonly<Record<TogetherId, TogetherWords>> = {
  'weak-herm-hot-compressor': {
    title: 'Weak compressor capacitor, rising compressor amps',
    rulesIn: 'The capacitor’s HERM section makes the compressor work harder and run hot.',
    rulesOut: 'The compressor itself is less likely worn: its amps have a cause beside it.',
    nextTest: 'Replace the capacitor, then take the compressor’s amps again at the same stop.',
  },
  'compressor-amps-alone': {
    title: 'Compressor amps rise while its capacitor is sound',
    rulesIn: 'Wear of the compressor, or a dirty outdoor coil that keeps its pressure up.',
    rulesOut: 'The run capacitor.',
    nextTest: 'Look at the outdoor coil and read the liquid pressure; then the three wires of the compressor.',
  },
  'weak-fan-high-head': {
    title: 'Weak fan capacitor, condensing pressure up',
    rulesIn: 'The FAN section lets the outdoor fan slow down, and the condensing pressure rise.',
    rulesOut: 'Overcharge as the first suspect.',
    nextTest: 'Replace the capacitor, then read the liquid pressure again.',
  },
  'half-of-a-dual': {
    title: 'One half of a dual capacitor is weak',
    rulesIn: 'The other half of the can often follows within weeks: the whole can is replaced.',
    rulesOut: 'Keeping the sound half by adding a single.',
    nextTest: 'None: replace the can.',
  },
  'psc-blocked-air': {
    title: 'Blower amps fall and the split grows',
    rulesIn: 'Air is blocked on a PSC blower: filter, wheel or coil.',
    rulesOut: 'A failing blower motor, whose amps would rise.',
    nextTest: 'Look at filter, blower wheel and coil; then take split and amps again.',
  },
  'ecm-blocked-air': {
    title: 'Blower amps rise and the air warms or cools more',
    rulesIn: 'Air is blocked: a constant-airflow blower works harder for it.',
    rulesOut: 'The motor as the cause; it is what suffers.',
    nextTest: 'Look at filter, wheel, coil and returns; then take the amps again.',
  },
  'sensor-and-long-defrost': {
    title: 'A sensor reads further off and defrosts take longer',
    rulesIn: 'The defrost is started or ended on a wrong temperature.',
    rulesOut: 'The board, until the sensor has been replaced.',
    nextTest: 'Replace the sensor, then force a defrost on a frosted coil.',
  },
  undercharged: {
    title: 'Superheat high, subcooling low',
    rulesIn: 'The charge is low: it leaks somewhere.',
    rulesOut: 'Low air and a restriction, which leave subcooling up.',
    nextTest: 'Look for the leak before anything is added.',
  },
  restriction: {
    title: 'Superheat and subcooling both high',
    rulesIn: 'A restriction: filter-drier, metering device or a kinked line holds the refrigerant back.',
    rulesOut: 'Low charge, whatever the superheat says.',
    nextTest: 'Feel or measure across the filter-drier for a drop in temperature.',
  },
  overcharged: {
    title: 'Superheat low, subcooling high',
    rulesIn: 'Too much refrigerant, which floods the compressor.',
    rulesOut: 'A leak.',
    nextTest: 'Check that the air is right first; then recover to the plate’s subcooling.',
  },
  'low-air-cold-coil': {
    title: 'Superheat low and the split large',
    rulesIn: 'Too little air over the coil.',
    rulesOut: 'Overcharge: refrigerant is not to be touched until the air is right.',
    nextTest: 'Filter, wheel, coil, then airflow.',
  },
  'heat-in-cooling': {
    title: 'A strip draws amps in cooling and the split is small',
    rulesIn: 'A welded relay or sequencer heats the air that is being cooled.',
    rulesOut: 'Low charge: leave the gauges off.',
    nextTest: 'Volts across each sequencer contact with no call.',
  },
  'open-element': {
    title: 'Electric heat draws little and an element is open',
    rulesIn: 'A burnt element or its fuse link.',
    rulesOut: 'The sequencer.',
    nextTest: 'Replace the element or link, then clamp each element.',
  },
  'contact-and-amps': {
    title: 'Volts drop across the contactor and the compressor draws more',
    rulesIn: 'Burnt contacts starve the compressor of volts, and it draws more for it.',
    rulesOut: 'The supply: measure on both sides of the contactor.',
    nextTest: 'Replace the contactor, then take volts and amps at the compressor again.',
  },
};
