import { Delete } from 'lucide-react';
import type { ReactNode } from 'react';
import { spendPress } from './spent-press.ts';

/** What a key does to the field that has the focus. */
export type Key =
  '0' | '1' | '2' | '3' | '4' | '5' | '6' | '7' | '8' | '9' | '.' | 'OL' | 'jumps' | '±' | 'erase' | 'next';

/** Texts that stand for a whole reading: one stroke wipes them. */
const isWord = (text: string): boolean => /^(ol|jumps)$/i.test(text);

/** The text of a field after a key other than 'next'. */
export function press(text: string, key: Key): string {
  if (key === 'erase') return isWord(text) ? '' : text.slice(0, -1);
  if (key === 'OL' || key === 'jumps') return key;
  if (key === '±') return text.startsWith('-') ? text.slice(1) : `-${text}`;
  const base = isWord(text) ? '' : text;
  if (key === '.') return base.includes('.') ? base : `${base || '0'}.`;
  return key === 'next' ? base : base + key;
}

const DIGITS: readonly Key[] = ['1', '2', '3', '4', '5', '6', '7', '8', '9'];

function PadKey({
  name,
  children,
  className = 'text-[26px]',
  disabled = false,
  onKey,
}: {
  name: Key;
  children: ReactNode;
  className?: string;
  disabled?: boolean;
  onKey: (key: Key) => void;
}) {
  return (
    <button
      type="button"
      aria-label={
        name === 'erase' ? 'Erase' : name === 'next' ? undefined : name === '±' ? 'Sign' : name === '.' ? 'Point' : name
      }
      disabled={disabled}
      onPointerDown={(event) => {
        // The field keeps the focus, so that its caret and the keyboard go on working.
        event.preventDefault();
        // A key acts as it is pressed: what is drawn anew under the finger until it is let go takes no press away.
        if (event.button !== 0) return;
        spendPress(event.nativeEvent);
        onKey(name);
      }}
      // Pressed by the keyboard, or by what reads the screen.
      onClick={(event) => event.detail === 0 && onKey(name)}
      className={`grid min-h-[58px] touch-manipulation place-items-center bg-raised font-semibold active:bg-wash disabled:text-rule-strong ${className}`}
    >
      {children}
    </button>
  );
}

/** The number pad for gloves: digits left, the rest in the right-hand column, the way on at the thumb. */
export function Keypad({
  onKey,
  overLimit,
  jumps = false,
  signed,
  nextLabel,
}: {
  onKey: (key: Key) => void;
  overLimit: boolean;
  /** Where a figure that does not stand still is itself a reading. */
  jumps?: boolean;
  signed: boolean;
  nextLabel: string;
}) {
  const side = 'text-[17px] text-soft font-bold';
  return (
    <div
      role="group"
      aria-label="Keypad"
      className="grid grid-cols-4 gap-px border-y border-rule-strong bg-rule-strong"
      style={{ gridAutoFlow: 'row dense' }}
    >
      {DIGITS.map((digit, index) => (
        <PadKey key={digit} name={digit} onKey={onKey} className={`text-[26px] col-start-${(index % 3) + 1}`}>
          {digit}
        </PadKey>
      ))}
      <PadKey name="." onKey={onKey} className="col-start-1 row-start-4 text-[26px]">
        .
      </PadKey>
      <PadKey name="0" onKey={onKey} className="col-start-2 row-start-4 text-[26px]">
        0
      </PadKey>
      <PadKey name="erase" onKey={onKey} className={`col-start-3 row-start-4 ${side}`}>
        <Delete aria-hidden size={26} />
      </PadKey>
      {signed ? (
        <PadKey name="±" onKey={onKey} className={`col-start-4 row-start-1 ${side}`}>
          ±
        </PadKey>
      ) : (
        <PadKey name="OL" onKey={onKey} disabled={!overLimit} className={`col-start-4 row-start-1 ${side}`}>
          OL
        </PadKey>
      )}
      {jumps && (
        <PadKey name="jumps" onKey={onKey} className={`col-start-4 row-start-2 ${side}`}>
          jumps
        </PadKey>
      )}
      <PadKey
        name="next"
        onKey={onKey}
        className={`${jumps ? 'row-span-2 row-start-3' : 'row-span-3 row-start-2'} col-start-4 !bg-copper px-1 text-center text-[20px] leading-tight font-bold text-on-copper`}
      >
        {nextLabel}
      </PadKey>
    </div>
  );
}
