import { dayOf, type Day } from '../../quantity/day.ts';

const EARLIEST = dayOf('1960-01-01');

/** A day that can be kept; null for one before any machine in service was built. */
export const chartableDay = (day: Day): Day | null => (day < EARLIEST ? null : day);
