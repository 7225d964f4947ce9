import type { Doubt, Need, Rule, Snag } from '../verdict/rules.ts';
import type { Said } from './said.ts';

export interface RuleWords {
  /** What the limits are of, said after them. */
  readonly limits: string;
  /** What being past the lower or the upper limit points to. */
  readonly low?: string;
  readonly high?: string;
  /** What would settle it where the limit itself is not certain. */
  readonly open?: string;
}

/** What is said of each rule. Common practice, no source, unless the kind says so. */
export const RULE_WORDS: Readonly<Record<Rule, RuleWords>> = {
  'control-volts': {
    limits: 'tolerated',
    low: 'Transformer, a loose joint, or too much load on it.',
    high: 'Transformer tapped for another line voltage?',
  },
  'heater-amps': {
    limits: 'at these volts, by the plate',
    low: 'An element, a fuse link or its switch is open.',
    high: 'More than the plate: wrong wire clamped, or another heater fitted.',
  },
  'heater-amps-rated': {
    limits: 'at its rated volts, by the plate; the volts were not measured',
    low: 'Measure the volts; then an element, a fuse link or its switch.',
    high: 'Measure the volts; then the wire clamped, or another heater fitted.',
  },
  'no-strips': {
    limits: 'with no heat called',
    high: 'A strip heats though none is called: welded relay or sequencer, or back-feed.',
  },
  'element-ohms': {
    limits: 'by the plate',
    low: 'Part of the element is shorted.',
    high: 'The element is going open.',
  },
  'closing-time': { limits: 'usual', high: 'Slow: its coil volts first, then the sequencer.' },
  'off-delay': { limits: 'usual', high: 'It runs on long: the board’s setting, a slow relay, or a fan switch.' },
  'opening-time': { limits: 'usual', high: 'Slow to open: it sticks. Read it with no call.' },
  'closed-contact': { limits: 'across a closed contact', high: 'The contact does not carry: pitted, dirty or open.' },
  'closed-ohms': { limits: 'across a closed switch', high: 'It closes badly: find out why; do not bypass it.' },
  'pressure-switch': { limits: 'across a closed switch', high: 'Open: find out why; do not bypass it.' },
  split: {
    limits: 'usual at ordinary humidity',
    low: 'Little cooling: airflow high, charge, or heat being added.',
    high: 'Little air: filter, coil, wheel or duct.',
  },
  airflow: {
    limits: 'usual for its tons',
    low: 'Too little air: filter, coil, wheel, duct, tap.',
    high: 'Too much air for its size.',
  },
  capacity: { limits: 'expected of its tons', low: 'Less than it should: air and charge first.' },
  'gas-rise': {
    limits: 'range on the plate',
    low: 'Too much air, or too little gas: by the manufacturer’s instructions.',
    high: 'Too little air: filter, wheel, duct; a limit may open.',
  },
  'room-departure': { limits: 'of the set point', low: 'The room is not held.', high: 'The room is not held.' },
  'target-superheat': {
    limits: 'target for this weather',
    low: 'Overfed or overcharged, or little air over the coil.',
    high: 'Starved: air and filter first, then charge, then the restriction.',
  },
  superheat: {
    limits: 'usual with an expansion valve',
    low: 'The valve overfeeds: its bulb, or little air.',
    high: 'The valve starves: charge, restriction, or the valve.',
  },
  subcooling: {
    limits: 'by the plate',
    low: 'Little liquid: charge, once air is right.',
    high: 'Much liquid backed up: charge, or a restriction.',
  },
  'usual-subcooling': {
    limits: 'usual, no plate figure',
    low: 'Little liquid: charge, once air is right.',
    high: 'Much liquid backed up: charge, or a restriction.',
  },
  'heating-chart': {
    limits: 'on the manufacturer’s chart for this weather',
    low: 'Below the chart: air over the outdoor coil, charge, valves.',
    high: 'Above the chart: indoor air, filter, charge.',
  },
  'sensor-error': {
    limits: 'against the air it hangs in',
    low: 'Reads cold: defrosts too soon and too long.',
    high: 'Reads warm: defrosts too late or not at all.',
  },
  'coil-ohms': {
    limits: 'the limits for such a coil',
    low: 'Half its usual ohms: shorted turns.',
    high: 'High: a joint, or a coil of another make.',
  },
  'pan-heater-usual': {
    limits: 'usual, its watts not on record',
    low: 'Partly shorted, or another heater than usual.',
    high: 'Kilohms: going open; it will not keep the pan clear.',
  },
  'rla-span': {
    limits: 'by MCA, the fan’s share not known',
    high: 'Above any RLA that this MCA allows.',
    open: 'Within one of the RLAs that this MCA allows, and past another: the fan’s FLA, or the RLA, settles it.',
  },
  'pan-heater': { limits: 'by its watts', low: 'Partly shorted.', high: 'Going open: it will not keep the pan clear.' },
  'start-range': {
    limits: 'printed range',
    low: 'Below its printed range: hard starts.',
    high: 'Above its printed range: wrong part, or the meter.',
  },
  'defrost-time': { limits: 'usual', high: 'Long: sensor, charge, or a coil iced deep.' },
};

/** What is missing, and what would settle it. */
export const NEED_WORDS: Readonly<Record<Need, Said>> = {
  speed: 'It runs at a speed of its own choice: kept, not compared.',
  stage: ['Judged on the high stage only', ': note which one runs, or call for high.'],
  'heat-elements': 'Number of elements not on the plate record: count them, then note it.',
  'heat-rating': 'No kW of the electric heat on the plate record.',
  'gas-rise-range': 'No rise range on the plate record.',
  'heating-chart': ['No heating chart typed in', ': recorded, and held against its own past only.'],
  'inside-chart': 'This weather is outside the heating chart typed in.',
  'pan-heater-watts': 'No watts of the pan heater on the plate record.',
  'sensor-curve': ['The sensor’s curve is not on record', ': type R25 and beta, or its chart.'],
  'nominal-tons': 'No nominal tons on the plate record.',
  'start-rating': 'No rating of the start capacitor on record.',
  metering: [
    'The metering device is not on record',
    ': a fixed orifice and an expansion valve have different targets.',
  ],
  'wet-bulb': ['The target needs indoor wet bulb and outdoor air', ': take the return air first.'],
  'low-target': ['The target is below 5 °F in this weather', ': not charged by superheat.'],
  'charge-check': ['The charge check does not count now', '; the figure is kept, not judged.'],
  'running-time': ['It has not run long enough', ': the figure is kept, not judged.'],
  'air-unsettled': ['The air has not settled', ': let it run on first. Kept, not judged.'],
  'air-clock': ['Nobody said how long it has run', ': air drifts for minutes after a start. Kept, not judged.'],
  'humid-air': ['Return air is far from ordinary humidity', ': judge by delivered capacity, not by the split.'],
  'by-superheat': ['A fixed orifice is charged by superheat', '; its subcooling is only recorded.'],
  'no-limit': ['No limit for this', '; it is recorded and held against its own past.'],
};

/** What is asked about two figures that do not fit. */
export const DOUBT_WORDS: Readonly<Record<Doubt, (a: number, b: number) => string>> = {
  'liquid-above-condensing': (a: number, b: number) =>
    `Liquid line ${a} °F is warmer than the ${b} °F it condenses at. Clamp on the wrong pipe, or the wrong refrigerant?`,
  'suction-below-evaporating': (a: number, b: number) =>
    `Suction line ${a} °F is colder than the ${b} °F it boils at. Clamp loose, or the wrong refrigerant?`,
  'supply-below-coil': (a: number, b: number) =>
    `Supply air ${a} °F is colder than the coil’s ${b} °F. Probe in the wrong place?`,
  'wet-above-dry': (a: number, b: number) =>
    `Wet bulb ${a} °F is above dry bulb ${b} °F, which air cannot be. Probes swapped, or the wick dry?`,
  'supply-not-cooled': (a: number, b: number) =>
    `Supply air ${a} °F is not below return ${b} °F. Probes swapped, or heat being added?`,
  'supply-not-heated': (a: number, b: number) =>
    `Supply air ${a} °F is not above return ${b} °F. Probes swapped, or no heat?`,
  'runs-longer-than-visit': (a: number, b: number) =>
    `Running ${a} minutes, but the visit began ${b} minutes ago. Did it run before you came?`,
  'wet-supply-above-dry': (a: number, b: number) => `Supply wet bulb ${a} °F is above its dry bulb ${b} °F.`,
  'end-colder-than-start': (a: number, b: number) => `The coil ended at ${a} °F, colder than the ${b} °F it began at.`,
};

/** Why a value cannot be worked out, and what it takes. */
export const SNAG_WORDS: Readonly<Record<Snag, string>> = {
  'no-refrigerant': 'The plate record names no refrigerant.',
  'unknown-refrigerant': 'No pressure–temperature data for this refrigerant: load the supplier’s table first.',
  'outside-saturation': 'That pressure is outside the refrigerant’s range.',
  'no-return-air': 'Take the return air first.',
  'no-supply-air': 'Take the supply air first.',
  'no-airflow': 'No airflow known: take it over the electric heat, or enter the tons on the plate.',
  'no-heat-amps': 'Take the electric heat’s amps and the line volts first.',
  'no-rise': 'The air is not warmer after the heat: no airflow can be worked out.',
  'no-outdoor-air': 'Enter the outdoor air first.',
  'air-out-of-range': 'That is not air: look at the figures again.',
  'nothing-measured': 'Measure at least the first place of the chain.',
};
