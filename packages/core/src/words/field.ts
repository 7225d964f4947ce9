import type { FieldTold } from '../fieldwork/round-view.ts';
import type { OutdoorProblem } from '../fieldwork/visit-conditions.ts';
import { sayReason } from './reasons.ts';
import { sayRefusal } from './refusals.ts';

/** What is said at a field: why its entry is refused, what is asked of it, or what the office would not take. */
export function sayField({ refusal, questions, notTaken }: FieldTold): string[] {
  if (refusal) return [sayRefusal(refusal)];
  if (questions.length > 0) return questions.map(sayReason);
  return notTaken ? [`The office did not take ${notTaken.entered}: ${notTaken.why}`] : [];
}

/** What is wrong with the outdoor air as typed. */
export const sayOutdoorProblem = (problem: OutdoorProblem): string =>
  'because' in problem ? sayRefusal(problem.because) : `${problem.above} °F is above anything met outdoors.`;
