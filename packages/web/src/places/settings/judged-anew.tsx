import { useRefit } from '../../app/use-refit.ts';
import { RefitProgress } from '../../kit/refit-progress.tsx';

/** Every part judged anew after the schools have changed: how far that is. */
export function JudgedAnew() {
  const { refit, isRunning } = useRefit();
  if (!refit || !isRunning) return null;
  return (
    <div role="status" className="mt-3">
      <RefitProgress refit={refit} />
    </div>
  );
}
