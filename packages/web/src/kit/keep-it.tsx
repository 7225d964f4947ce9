import { Button } from './button.tsx';

interface Keeping {
  readonly isPending: boolean;
  readonly isSuccess: boolean;
  readonly error: Error | null;
}

/** The end of a form: the button that keeps it, and whether it was kept or why not. */
export const KeepIt = ({
  keeping,
  isTouched,
  look = 'plain',
}: {
  keeping: Keeping;
  /** Whether something was typed since. */
  isTouched: boolean;
  look?: 'main' | 'plain';
}) => (
  <div className="flex items-center gap-4">
    <Button look={look} type="submit" disabled={keeping.isPending}>
      Keep it
    </Button>
    {keeping.isSuccess && !isTouched && (
      <span role="status" className="font-semibold">
        Kept
      </span>
    )}
    {keeping.error && (
      <span role="alert" className="font-semibold text-act">
        {keeping.error.message}
      </span>
    )}
  </div>
);
