import {
  readingKind,
  severityOf,
  SLOT_NAMES,
  titleOf,
  type Session,
  type Standing,
  type SystemDetail,
} from '@yarnix/core';
import { livingThreads } from './living-threads.ts';

/** A thread that can be laid beside another one. */
export interface OtherThread {
  /** "componentId/kind/point". */
  readonly key: string;
  readonly title: string;
  readonly standing: Standing;
}

/** The threads of a system's living parts that have numbers, the worst first. */
export function otherThreads(system: SystemDetail, firm: Session['firm'], today: number): OtherThread[] {
  return livingThreads(system, firm, today)
    .filter((t) => t.state.numeric !== null)
    .sort((a, b) => severityOf(b.state.standing) - severityOf(a.state.standing))
    .map(({ key, state, component }) => {
      const kind = readingKind(state.kind);
      const title = kind ? titleOf(kind, state.point) : state.kind;
      return { key, title: `${SLOT_NAMES[component.slot]}: ${title}`, standing: state.standing };
    });
}

/** A key taken apart again; null for nonsense in the address. */
export function askedOf(key: string): { componentId: string; kind: string; point: string } | null {
  const [componentId, kind, point, ...more] = key.split('/');
  return componentId && kind && point && more.length === 0 ? { componentId, kind, point } : null;
}
