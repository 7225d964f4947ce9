import { ApiProblem } from '../../app/api.ts';
import { Button } from '../../kit/button.tsx';

/** The foot of a form: what went wrong, and the button that saves. */
export const SaveBar = ({
  error,
  pending,
  invalid,
  label,
}: {
  error: Error | null;
  pending: boolean;
  invalid: boolean;
  label: string;
}) => (
  <div className="sticky bottom-14 -mx-4 grid gap-2 border-t border-rule-strong bg-ground px-4 py-3 md:bottom-0">
    {error && (
      <p role="alert" className="font-semibold text-act">
        {error instanceof ApiProblem ? error.message : `${error.message} What you typed stays here; try again.`}
      </p>
    )}
    {invalid && (
      <p role="alert" className="font-semibold text-act">
        Some fields need another look; they say what.
      </p>
    )}
    <Button look="main" type="submit" disabled={pending} className="min-h-14 justify-self-start px-8 text-[18px]">
      {label}
    </Button>
  </div>
);
