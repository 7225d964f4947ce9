import type { FieldValues, Path, UseFormSetError } from 'react-hook-form';
import { ApiProblem } from './api.ts';

/** Shows what the server would not take at the fields that it names. */
export function showAtFields<Form extends FieldValues>(error: Error, setError: UseFormSetError<Form>): void {
  if (!(error instanceof ApiProblem)) return;
  for (const { path, detail } of error.problem.errors ?? []) setError(path as Path<Form>, { message: detail });
}

/** What else went wrong, for the end of a form: nothing where fields say it. */
export const troubleBeside = (error: Error | null): string | null =>
  error === null || (error instanceof ApiProblem && (error.problem.errors ?? []).length > 0) ? null : error.message;
