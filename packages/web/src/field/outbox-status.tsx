import { Check, CloudOff, CloudUpload } from 'lucide-react';
import { useOutbox } from './use-round.ts';

/** Whether everything entered has reached the office; what has not is safe on the device. */
export function OutboxStatus() {
  const { waiting, reachable } = useOutbox();
  const { Icon, words } =
    waiting === 0
      ? { Icon: Check, words: 'All sent' }
      : reachable
        ? { Icon: CloudUpload, words: `Sending ${waiting}` }
        : { Icon: CloudOff, words: `${waiting} kept here, no signal` };
  return (
    <span
      role="status"
      className={`flex items-center gap-1.5 text-sm font-semibold ${waiting > 0 && !reachable ? 'text-watch' : 'text-soft'}`}
    >
      <Icon aria-hidden size={17} /> {words}
    </span>
  );
}
