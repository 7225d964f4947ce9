import {
  groundOf,
  huntReport,
  machineSpecOf,
  type Ground,
  type HuntAsked,
  type HuntReport,
  type Plate,
  type SystemKind,
} from '@yarnix/core';
import { expose } from 'comlink';

/** Machines whose causes are worked out: one, or two when somebody looks back. */
const grounds = new Map<string, Ground>();
const MOST = 3;

function groundFor(kind: SystemKind, plate: Plate): Ground {
  const key = JSON.stringify([kind, plate]);
  const known = grounds.get(key);
  if (known) return known;
  if (grounds.size >= MOST) grounds.clear();
  const made = groundOf(machineSpecOf(kind, plate));
  grounds.set(key, made);
  return made;
}

const hunting = {
  /** Where a hunt stands; the first time on a machine it takes a moment. */
  report: (kind: SystemKind, plate: Plate, asked: HuntAsked): HuntReport => huntReport(groundFor(kind, plate), asked),
};
export type Hunting = typeof hunting;

expose(hunting);
