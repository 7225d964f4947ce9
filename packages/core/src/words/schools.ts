import { MONTHS } from '../quantity/day.ts';
import type { Policy } from '../verdict/policy.ts';
import {
  schoolOf,
  type ownSchoolProblem,
  type SchoolId,
  type SchoolProblem,
  type SchoolSubject,
} from '../verdict/schools.ts';

/** The subjects schools are sorted by. */
export const SUBJECT_NAMES: Readonly<Record<SchoolSubject, string>> = {
  capacitors: 'Capacitors',
  defrost: 'Defrost',
  refrigerant: 'Refrigerant',
  air: 'Air',
  amps: 'Amps',
  coils: 'Coils',
  rounds: 'Rounds',
};

/** What is said of one way to set a school: its name, who argues for it, and what it costs. */
interface Side {
  readonly name: string;
  readonly argued: string;
  readonly costs: string;
}

interface SchoolWords {
  readonly title: string;
  /** What is set here. */
  readonly about: string;
  /** For a choice, by option. */
  readonly sides?: Readonly<Record<string, Side>>;
  /** For figures: what a tighter and a wider one do. */
  readonly tighter?: string;
  readonly wider?: string;
}

/** Each school in the trade's words. Common practice, no source. */
export const SCHOOL_WORDS: Readonly<Record<SchoolId, SchoolWords>> = {
  'capacitor-tolerance': {
    title: 'How far under its rating a run capacitor may read',
    about: 'The limit of each section, in bench and under-load readings alike.',
    sides: {
      printed: {
        name: 'As printed on the label',
        argued: 'Those who go by the manufacturer: the label is the only figure anybody signed.',
        costs: 'At −6 % some go on for a season that a stricter eye would have taken out.',
      },
      tight: {
        name: '5 %, whatever is printed',
        argued: 'Those who dread the call in August: amps and heat rise well before the label’s limit.',
        costs: 'Parts with months left in them are replaced.',
      },
      wide: {
        name: '10 % either way',
        argued: 'Those who have seen motors run for years on a weak section.',
        costs: 'Start windings carry more, and some fail before the next round.',
      },
    },
  },
  'capacitor-replacement': {
    title: 'How far a new capacitor may be from the old rating',
    about: 'Which ratings on the van are offered in its place. Volts never lower.',
    sides: {
      '0': {
        name: 'The same µF only',
        argued: 'Those who hold that the motor was wound for that figure.',
        costs: 'More sizes to carry, more second trips.',
      },
      '5': {
        name: 'Within 5 %',
        argued: 'Common on vans: within what a new part may be off by itself.',
        costs: 'A 40 for a 42 is not noticed by the next technician unless it is written on it.',
      },
      '10': {
        name: 'Within 10 %',
        argued: 'Those who rather leave the customer cool tonight.',
        costs: 'The start winding’s amps are no longer those of its past.',
      },
    },
  },
  'capacitor-baseline': {
    title: 'Below its own first readings',
    about: 'From how far under its own past a section is watched.',
    tighter: 'Smaller: told earlier, and a change of meter looks like wear.',
    wider: 'Larger: only the label’s limit speaks.',
  },
  'defrost-termination': {
    title: 'A board that ends defrosts at 50 °F',
    about: 'It is flagged either way; this is what is then asked for.',
    sides: {
      factory: {
        name: 'Leave it',
        argued: 'Those who go by the factory: the setting was chosen with the machine.',
        costs: 'Bands of frost may stay and turn to ice in damp cold.',
      },
      '60': {
        name: 'Up to 60 °F',
        argued: 'A small step for mild, dry winters.',
        costs: 'May not clear the last bands.',
      },
      '70': {
        name: 'Up to 70 °F',
        argued: 'Those who have broken ice out of coils: the whole coil clears.',
        costs: 'Each defrost a little longer, with cool air indoors.',
      },
      '80': {
        name: 'Up to 80 °F',
        argued: 'For coils that drain badly.',
        costs: 'Longer defrosts, higher head pressure.',
      },
      '90': {
        name: 'Up to 90 °F',
        argued: 'For the dampest places only.',
        costs: 'Some end by the time limit instead, or near the high switch.',
      },
    },
  },
  'defrost-interval': {
    title: 'The longest time between defrosts',
    about: 'By climate: the damper the winter, the shorter.',
    sides: {
      '30': {
        name: '30 min: damp winters',
        argued: 'Frost is thick within the half hour.',
        costs: 'Heat lost in dry cold.',
      },
      '60': { name: '60 min: mixed', argued: 'Between the two.', costs: 'Ice in damp spells.' },
      '90': { name: '90 min: dry cold', argued: 'Little frost to melt.', costs: 'Ice in every damp week.' },
    },
  },
  'sensor-error': {
    title: 'A sensor against the air it hangs in',
    about: 'How far it may be off before it is said to be wrong.',
    tighter: 'Smaller: more sensors condemned that had not settled.',
    wider: 'Larger: defrosts come late before anybody is told.',
  },
  'valve-superheat': {
    title: 'Superheat an expansion valve holds',
    about: 'The window for machines with a valve.',
    tighter: 'Narrower: more calls for a charge that was right.',
    wider: 'Wider: a valve that hunts is passed.',
  },
  'superheat-tolerance': {
    title: 'Superheat against its target',
    about: 'Either side of the target on machines with a fixed orifice.',
    tighter: 'Smaller: wet bulb and outdoor air must be read well.',
    wider: 'Larger: half a pound passes unseen.',
  },
  'usual-subcooling': {
    title: 'Subcooling where the plate names none',
    about: 'The window used then.',
    tighter: 'Narrower: more machines asked about that were built so.',
    wider: 'Wider: a slow leak shows a year later.',
  },
  'subcooling-tolerance': {
    title: 'Subcooling against the plate',
    about: 'Either side of the figure printed.',
    tighter: 'Smaller: within what gauges and clamps are off by.',
    wider: 'Larger: a slow leak shows a year later.',
  },
  'cooling-split': {
    title: 'Cooling split',
    about: 'Return minus supply, at ordinary humidity.',
    tighter: 'Narrower: humid houses are told they cool badly.',
    wider: 'Wider: low air and low charge pass.',
  },
  'air-per-ton': {
    title: 'Air for each ton',
    about: 'What the blower should move, in CFM.',
    tighter: 'Narrower: many ducts cannot reach it.',
    wider: 'Wider: coils that freeze pass.',
  },
  'room-departure': {
    title: 'Room against set point',
    about: 'How far apart they may be.',
    tighter: 'Smaller: a house that was just set back is told.',
    wider: 'Larger: a machine that does not keep up passes.',
  },
  'amps-watched': {
    title: 'Amps watched from',
    about: 'Share of the plate’s amps at which watching begins.',
    tighter: 'Smaller: hot days fill the Watch.',
    wider: 'At 100 nothing is said before the plate’s figure.',
  },
  'amps-baseline': {
    title: 'Amps against a motor’s own past',
    about: 'How far from it they may be, like for like.',
    tighter: 'Smaller: another clamp looks like a tired motor.',
    wider: 'Larger: a bearing goes before it is told.',
  },
  'contactor-coil': {
    title: 'Ohms of a contactor’s coil',
    about: 'The usual window; half of it is a shorted coil in any school.',
    tighter: 'Narrower: other makes fall outside.',
    wider: 'Wider: shorted turns pass.',
  },
  'relay-coil': {
    title: 'Ohms of a relay’s or sequencer’s coil',
    about: 'The usual window.',
    tighter: 'Narrower: other makes fall outside.',
    wider: 'Wider: shorted turns pass.',
  },
  'coil-baseline': {
    title: 'A coil against its own past',
    about: 'How far from it its ohms may be.',
    tighter: 'Smaller: a cold coil in winter looks shorted.',
    wider: 'Larger: only the usual window speaks.',
  },
  'round-months': {
    title: 'Months of the rounds',
    about: 'Outlooks reach to the middle of the next of them.',
    tighter: 'More months: shorter outlooks, fewer parts flagged, more driving.',
    wider: 'Fewer: parts must last longer, so more are flagged.',
  },
};

/** "April" of 4. */
export const monthName = (month: number): string => MONTHS[month - 1] ?? '';

/** What a school is set to: "As printed on the label", "15 to 22 °F", "April and October". */
export function saySchool(id: SchoolId, policy: Policy): string {
  const school = schoolOf(id);
  if (school.type === 'choice') {
    const option = school.get(policy);
    return SCHOOL_WORDS[id].sides?.[option]?.name ?? option;
  }
  if (school.type === 'months') return school.get(policy).map(monthName).join(', ');
  return `${school.get(policy).join(' to ')} ${school.unit}`;
}

const PROBLEMS: Readonly<Record<SchoolProblem['problem'], string>> = {
  'out-of-bounds': 'out of what any school uses',
  'ends-crossed': 'the lower figure must be under the higher one',
  'no-month': 'choose at least one month',
};

/** Why a school cannot be kept so: "Cooling split: from 5 to 35 °F; out of what any school uses." */
export function saySchoolProblem({ school: id, problem }: SchoolProblem): string {
  const school = schoolOf(id);
  const bounds =
    'least' in school && problem === 'out-of-bounds' ? `from ${school.least} to ${school.most} ${school.unit}; ` : '';
  return `${SCHOOL_WORDS[id].title}: ${bounds}${PROBLEMS[problem]}.`;
}

/** Why one part cannot be judged so. */
export function sayOwnSchoolProblem(
  school: SchoolId,
  problem: NonNullable<ReturnType<typeof ownSchoolProblem>>,
): string {
  if (problem === 'not-of-it') return `${SCHOOL_WORDS[school].title}: no such part is judged by it.`;
  if (problem === 'no-option') return `${SCHOOL_WORDS[school].title}: is nothing that it can be set to.`;
  return saySchoolProblem({ school, problem });
}
