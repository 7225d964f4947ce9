import { isFinding, type FindingCode } from '../verdict/findings.ts';
import { severityOf } from '../verdict/standing.ts';
import type { ThreadState } from './thread-state.ts';

/**
 * What a thread shows, for rules that read several together: which way it moves, on which side of where it should be it
 * lies, and what was found.
 */
export type Sign = 'rising' | 'falling' | 'high' | 'low' | 'steady' | `finding:${FindingCode}`;

/** A drift this many of its standard deviations from zero counts as a movement. */
const MOVES_FROM = 1.6;

function ofMovement(state: ThreadState): Sign[] {
  const fit = state.numeric?.fit;
  if (!fit || fit.n < 3) return [];
  const ratio = fit.drift / fit.driftSd;
  if (ratio > MOVES_FROM) return ['rising'];
  return ratio < -MOVES_FROM ? ['falling'] : ['steady'];
}

function ofPlace(state: ThreadState): Sign[] {
  const signs = new Set<Sign>();
  for (const { because, standing } of state.reasons) {
    if (severityOf(standing) < severityOf('watch')) continue;
    if ('numbers' in because && 'position' in because.numbers)
      signs.add(because.numbers.side === 'lower' ? 'low' : 'high');
    if ('offPercent' in because.numbers && 'baseline' in because.numbers)
      signs.add(because.numbers.offPercent < 0 ? 'low' : 'high');
    // A section that reads nothing lies below its limit.
    if (because.code === 'finding' && because.numbers.found.includes('section-open')) signs.add('low');
  }
  return [...signs];
}

/** Signs of a thread as it stands. */
export function signsOf(state: ThreadState): Sign[] {
  const found = state.reasons.flatMap(({ because }) =>
    because.code === 'finding' ? because.numbers.found.filter(isFinding).map((f): Sign => `finding:${f}`) : [],
  );
  return [...ofMovement(state), ...ofPlace(state), ...found];
}
