import type { InputHTMLAttributes, ReactNode, Ref } from 'react';
import { useId } from 'react';

interface FieldProps extends InputHTMLAttributes<HTMLInputElement> {
  readonly label: string;
  readonly unit?: string;
  readonly hint?: ReactNode;
  readonly error?: string | undefined;
  readonly ref?: Ref<HTMLInputElement>;
}

/** A labeled text field with its unit, a hint below, and in its place the sentence of what is wrong. */
export function Field({ label, unit, hint, error, className = '', ref, ...rest }: FieldProps) {
  const id = useId();
  return (
    <div className={`grid content-start gap-1 ${className}`}>
      <label htmlFor={id} className="label">
        {label}
      </label>
      <div
        className={`flex h-12 items-center rounded-[4px] border-[1.5px] bg-raised focus-within:border-copper ${error ? 'border-act' : 'border-rule-strong'}`}
      >
        <input
          id={id}
          ref={ref}
          aria-invalid={error ? true : undefined}
          aria-describedby={error || hint ? `${id}-below` : undefined}
          className={`h-full w-full min-w-0 bg-transparent px-3 text-[17px] outline-none placeholder:text-soft ${rest.type === 'file' ? 'py-2.5' : ''}`}
          {...rest}
        />
        {unit && <span className="label pr-3">{unit}</span>}
      </div>
      {(error ?? hint) && (
        <div
          id={`${id}-below`}
          role={error ? 'alert' : undefined}
          className={`text-sm ${error ? 'font-semibold text-act' : 'text-soft'}`}
        >
          {error ?? hint}
        </div>
      )}
    </div>
  );
}

/** A labeled field for some lines of text. */
export function TextField({ label, ...rest }: { label: string } & React.TextareaHTMLAttributes<HTMLTextAreaElement>) {
  const id = useId();
  return (
    <div className="grid gap-1">
      <label htmlFor={id} className="label">
        {label}
      </label>
      <textarea
        id={id}
        className="rounded-[4px] border-[1.5px] border-rule-strong bg-raised p-3 text-[17px]"
        {...rest}
      />
    </div>
  );
}

/** A labeled choice of a few options, as the browser's own list: it opens with the platform's own big targets. */
export function SelectField({
  label,
  options,
  error,
  ref,
  ...rest
}: {
  label: string;
  options: readonly (readonly [value: string, label: string])[];
  error?: string | undefined;
  ref?: Ref<HTMLSelectElement>;
} & React.SelectHTMLAttributes<HTMLSelectElement>) {
  const id = useId();
  return (
    <div className="grid content-start gap-1">
      <label htmlFor={id} className="label">
        {label}
      </label>
      <select
        id={id}
        ref={ref}
        className="h-12 rounded-[4px] border-[1.5px] border-rule-strong bg-raised px-2 text-[17px]"
        {...rest}
      >
        {options.map(([value, text]) => (
          <option key={value} value={value}>
            {text}
          </option>
        ))}
      </select>
      {error && <div className="text-sm font-semibold text-act">{error}</div>}
    </div>
  );
}
