import { Check, CloudOff, CloudUpload, TriangleAlert } from 'lucide-react';
import { Link } from 'react-router';
import type { OutboxState } from './outbox.ts';
import { useOutbox } from './use-outbox.ts';

function stateOf({ coming, waiting, aside, reachable }: OutboxState) {
  const count = waiting.length + coming;
  if (aside.length > 0) return { Icon: TriangleAlert, words: `${aside.length} not taken`, look: 'text-act' };
  if (count === 0) return { Icon: Check, words: 'All sent', look: 'text-soft' };
  return reachable
    ? { Icon: CloudUpload, words: `Sending ${count}`, look: 'text-soft' }
    : { Icon: CloudOff, words: `${count} kept here, no signal`, look: 'text-watch' };
}

/** Whether everything entered has reached the office; what has not is safe on the device. Leads to what waits, and why. */
export function OutboxStatus() {
  const { Icon, words, look } = stateOf(useOutbox());
  return (
    <span role="status">
      <Link to="/waiting" className={`flex min-h-12 items-center gap-1.5 text-sm font-semibold ${look}`}>
        <Icon aria-hidden size={17} /> {words}
      </Link>
    </span>
  );
}
