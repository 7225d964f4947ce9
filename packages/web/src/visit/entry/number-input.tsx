import type { InputSpec } from '@yarnix/core';
import type { Ref } from 'react';

/** One number of a reading: large, with its unit; the pad types into it, and so does the keyboard. */
export function NumberInput({
  spec,
  name,
  text,
  bad,
  big = false,
  onText,
  onFocus,
  onBlur,
  onEnter,
  describedBy,
  autoFocus = false,
  ref,
}: {
  spec: Extract<InputSpec, { type: 'number' }>;
  name: string;
  text: string;
  bad: boolean;
  big?: boolean;
  onText: (text: string) => void;
  onFocus: () => void;
  onBlur?: () => void;
  onEnter: () => void;
  describedBy: string;
  autoFocus?: boolean;
  ref?: Ref<HTMLInputElement>;
}) {
  return (
    <div
      className={
        big
          ? `flex items-baseline gap-3 border-b-[3px] ${bad ? 'border-act' : 'border-rule-strong focus-within:border-copper'}`
          : `flex h-[52px] items-center rounded-[4px] border-[1.5px] bg-raised px-3 ${bad ? 'border-act' : 'border-rule-strong focus-within:border-copper'}`
      }
    >
      <input
        ref={ref}
        autoFocus={autoFocus}
        data-input={spec.id}
        aria-label={name}
        aria-invalid={bad ? true : undefined}
        aria-describedby={describedBy}
        // The app's own pad is on the screen; the platform's would cover the verdict.
        inputMode="none"
        autoComplete="off"
        enterKeyHint="next"
        value={text}
        maxLength={24}
        onChange={(event) => onText(event.target.value)}
        onFocus={(event) => {
          event.target.select();
          onFocus();
        }}
        onBlur={(event) => {
          // Another app, another tab, a call that comes in: the page loses the focus and this field keeps its own. A number
          // half typed is not taken by that.
          if (document.activeElement !== event.currentTarget) onBlur?.();
        }}
        onKeyDown={(event) => {
          if (event.key !== 'Enter') return;
          event.preventDefault();
          onEnter();
        }}
        className={`figure-type w-full min-w-0 bg-transparent outline-none ${big ? 'text-[68px] leading-[1.05]' : 'text-[25px]'}`}
      />
      <span className={`label ${big ? 'text-[24px]' : 'text-[15px]'}`}>{spec.unit}</span>
    </div>
  );
}
