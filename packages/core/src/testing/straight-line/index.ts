/** A straight line in closed form: the flat limit of the engine, and what it is measured against. */
export { fitDrift } from './fit-drift.ts';
