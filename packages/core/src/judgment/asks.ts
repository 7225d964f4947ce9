import type { Ask } from '../verdict/asks.ts';
import { isFinding, type FindingCode } from '../verdict/findings.ts';
import type { Judgment } from '../verdict/judgment.ts';
import type { ReasonNumbers } from '../verdict/reasons.ts';
import type { Rule } from '../verdict/rules.ts';

/** What being past a rule's lower or upper limit asks for; everything else asks for its cause. Common practice, no source. */
const PAST: Readonly<Partial<Record<Rule, { readonly low?: Ask; readonly high?: Ask }>>> = {
  'element-ohms': { low: 'replace', high: 'replace' },
  'pan-heater': { low: 'replace', high: 'replace' },
  'pan-heater-usual': { low: 'find-cause', high: 'replace' },
  'coil-ohms': { low: 'replace' },
  'start-range': { low: 'replace' },
  'closed-contact': { high: 'replace' },
  'room-departure': { low: 'look-again', high: 'look-again' },
};

const OF_FINDINGS: Readonly<Partial<Record<FindingCode, Ask>>> = {
  'burnt-wire': 'repair',
  'scorched-lug': 'repair',
  insects: 'clean',
  growth: 'clean',
  'dirty-coil': 'clean',
  'dirty-wheel': 'clean',
  'dirty-filter': 'clean',
  'drain-blocked': 'clean',
  open: 'replace',
  shorted: 'replace',
  jumps: 'replace',
  'never-closed': 'replace',
  'never-opened': 'replace',
  'contact-open': 'find-cause',
  'contact-welded': 'replace',
  'contact-closed-dead': 'replace',
  'contact-open-dead': 'replace',
  'cable-damaged': 'repair',
  'coil-sensor-not-colder': 'find-cause',
  'fuse-larger': 'replace',
  'fuse-smaller': 'replace',
  'fuse-bridged': 'replace',
  'ice-in-base': 'clean',
  'terminates-low': 'adjust',
  'setting-differs': 'adjust',
  'interval-differs': 'adjust',
  'interval-long': 'adjust',
  'interval-over-school': 'adjust',
  'frost-in-bands': 'adjust',
  'fan-runs-past-relay': 'replace',
  'chain-so-far-good': 'measure-again',
  'thermostat-stuck-shut': 'replace',
  'thermostat-open': 'replace',
  'can-bulged': 'replace',
  'can-leaking': 'replace',
  'can-burst': 'replace',
  'section-open': 'replace',
  'section-shorted': 'replace',
  'thermostat-closes-late': 'adjust',
};

function ofFindings(codes: readonly string[], standing: Judgment['standing']): Ask {
  const first = codes.find(isFinding);
  return (first && OF_FINDINGS[first]) ?? (standing === 'act' ? 'find-cause' : 'look-again');
}

const ofRating = (n: ReasonNumbers['against-rating']): Ask =>
  n.side === 'lower' && n.position === 'past' ? 'replace' : 'look-again';

function ofWindow({ rule, side, position }: ReasonNumbers['against-window']): Ask {
  if (position !== 'past') return 'look-again';
  return PAST[rule]?.[side === 'lower' ? 'low' : 'high'] ?? 'find-cause';
}

function whenNotSound({ because, standing }: Pick<Judgment, 'standing' | 'because'>): Ask {
  if (because.code === 'finding') return ofFindings(because.numbers.found, standing);
  if (because.code === 'against-rating') return ofRating(because.numbers);
  if (because.code === 'against-window') return ofWindow(because.numbers);
  if (because.code === 'against-nominal-volts') return because.numbers.side === 'upper' ? 'call-utility' : 'find-cause';
  if (because.code === 'not-as-asked' || because.code === 'volts-over-can') return 'replace';
  if (because.code === 'odd-point') return 'measure-again';
  if (because.code === 'in-state') return because.numbers.says === 'condemned' ? 'replace' : 'find-cause';
  return standing === 'act' ? 'find-cause' : 'look-again';
}

/** What a judgment asks for: nothing where all is well or nothing is known, and off where it may not run. */
export function askOf(judgment: Pick<Judgment, 'standing' | 'because'>): Ask {
  if (judgment.standing === 'stop') return 'switch-off';
  if (judgment.standing === 'sound' || judgment.standing === 'unproven') return 'nothing';
  return whenNotSound(judgment);
}
