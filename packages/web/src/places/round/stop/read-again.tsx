import {
  isStepDone,
  sayProofStep,
  SLOT_NAMES,
  stepsToProve,
  type RoundField,
  type RoundRecord,
  type RoundStop,
  type SystemDetail,
} from '@yarnix/core';
import { Check } from 'lucide-react';
import { PutBackButton } from '../../../visit/loose-ends-bar.tsx';

interface ReadAgainProps {
  readonly system: SystemDetail;
  readonly record: RoundRecord;
  readonly field: RoundField;
  readonly stop: RoundStop;
}

/** What is owed of a reading since something was done: read again it proves that, and what was read before stays. */
function why({ again, planned, state }: RoundField): string | null {
  if (again) return `Read it again: ${again.title.toLowerCase()} since. What was read before stays.`;
  if (planned.component.isNew && state === 'open')
    return `What the new ${SLOT_NAMES[planned.component.slot].toLowerCase()} reads proves it.`;
  return null;
}

/** Why a reading is owed after a repair, and the steps to it in the order that is safe; what is loose goes back from here. */
export function ReadAgain({ system, record, field, stop }: ReadAgainProps) {
  const said = why(field);
  if (said === null) return null;
  return (
    <div className="border-l-[3px] border-copper pl-3">
      <p className="font-semibold text-copper">{said}</p>
      <ol aria-label="Steps to the proof" className="list-decimal pl-5 text-[15px]">
        {stepsToProve(record, system.plate, stop, field).map((step) => (
          <li key={step.step} className={isStepDone(step) ? 'text-soft' : 'font-semibold'}>
            {sayProofStep(step)}
            {isStepDone(step) && <Check role="img" aria-label="done" size={17} className="ml-1 inline text-sound" />}
            {'ends' in step && step.ends.map((end) => <PutBackButton key={end.id} record={record} end={end} />)}
          </li>
        ))}
      </ol>
    </div>
  );
}
