import {
  OFFSETS,
  quantitiesOf,
  QUANTITY_NAMES,
  REFERENCES,
  type InstrumentKind,
  type MeterQuantity,
} from '@yarnix/core';
import { useState } from 'react';
import { Button } from './button.tsx';
import { Field } from './field.tsx';

/** What was read of something known, to be sent as a check. */
export interface CheckMade {
  readonly quantity: MeterQuantity;
  readonly against: string;
  readonly known: number;
  readonly knownWithin: number;
  readonly shown: number;
}

const numberIn = (text: string): number =>
  text.trim() === '' ? NaN : Number(text.replace(',', '.').replace('−', '-'));

/** How well a thing is known where nothing is said: half a percent, or half a degree. */
const usuallyWithin = (quantity: MeterQuantity, known: number): number =>
  OFFSETS[quantity].offsetIn === 'share' ? Number((0.005 * Math.abs(known)).toPrecision(2)) : 0.5;

/** Held against what, before: the next check begins from it. */
export interface LastCheck {
  readonly quantity: MeterQuantity;
  readonly against: string;
  readonly known: number;
  readonly knownWithin: number;
}

/** What is typed of a check: the thing held against is as last time until something else is typed. */
function useCheckTexts(kind: InstrumentKind, last: LastCheck | undefined, onMade: (check: CheckMade) => void) {
  const can = quantitiesOf(kind);
  const [quantity, setQuantity] = useState<MeterQuantity>(last?.quantity ?? can[0] ?? 'capacitance');
  const reference = REFERENCES[quantity];
  const same = last?.quantity === quantity ? last : undefined;
  const [texts, setTexts] = useState<Partial<Record<'known' | 'within' | 'shown', string>>>({});
  const [tried, setTried] = useState(false);
  const given = (name: 'known' | 'within', value: number | null | undefined) =>
    texts[name] ?? (value === null || value === undefined ? '' : String(value));
  const knownText = given('known', same?.known ?? reference.known);
  const known = numberIn(knownText);
  const withinText = given('within', same?.knownWithin ?? reference.within);
  const within = withinText === '' && Number.isFinite(known) ? usuallyWithin(quantity, known) : numberIn(withinText);
  const shownText = texts.shown ?? '';
  const shown = numberIn(shownText);
  const set = (name: 'known' | 'within' | 'shown') => (e: { target: { value: string } }) =>
    setTexts((was) => ({ ...was, [name]: e.target.value }));
  const choose = (q: MeterQuantity) => {
    setQuantity(q);
    setTexts({});
  };
  const make = () => {
    setTried(true);
    if (![known, within, shown].every(Number.isFinite) || within < 0) return;
    if (OFFSETS[quantity].offsetIn === 'share' && !(known > 0)) return;
    onMade({ quantity, against: same?.against ?? reference.against, known, knownWithin: within, shown });
  };
  return { can, quantity, choose, tried, known, within, shown, knownText, withinText, shownText, set, make };
}

const Tabs = ({
  can,
  quantity,
  choose,
}: {
  can: readonly MeterQuantity[];
  quantity: MeterQuantity;
  choose: (q: MeterQuantity) => void;
}) => (
  <div role="group" aria-label="What is checked" className="flex flex-wrap">
    {can.map((q) => (
      <button
        key={q}
        type="button"
        aria-pressed={q === quantity}
        onClick={() => choose(q)}
        className="min-h-12 border-b-[3px] border-transparent px-3 font-semibold text-soft aria-pressed:border-copper aria-pressed:text-ink"
      >
        {QUANTITY_NAMES[q]}
      </button>
    ))}
  </div>
);

/** A meter held against something known: one figure to type, the rest as last time. */
export function CheckForm({
  kind,
  last,
  onMade,
  onLeave,
}: {
  kind: InstrumentKind;
  last: LastCheck | undefined;
  onMade: (check: CheckMade) => void;
  onLeave?: () => void;
}) {
  const { can, quantity, choose, tried, known, within, shown, knownText, withinText, shownText, set, make } =
    useCheckTexts(kind, last, onMade);
  const reference = REFERENCES[quantity];
  const wrong = (value: number, least = -Infinity) =>
    tried && !(Number.isFinite(value) && value >= least) ? 'A figure is needed here' : undefined;
  return (
    <form
      aria-label="Hold it against something known"
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        make();
      }}
    >
      {can.length > 1 && <Tabs can={can} quantity={quantity} choose={choose} />}
      <p className="label max-w-[60ch]">
        {reference.against}. {reference.how}
      </p>
      <div className="grid grid-cols-2 gap-3 md:grid-cols-3">
        <Field
          label="It shows"
          unit={reference.unit}
          inputMode="decimal"
          autoComplete="off"
          autoFocus
          value={shownText}
          error={wrong(shown)}
          onChange={set('shown')}
        />
        <Field
          label="There is"
          unit={reference.unit}
          inputMode="decimal"
          autoComplete="off"
          value={knownText}
          error={wrong(known)}
          onChange={set('known')}
        />
        <Field
          label="Known within ±"
          unit={reference.unit}
          inputMode="decimal"
          autoComplete="off"
          value={withinText}
          placeholder={Number.isFinite(within) ? String(within) : ''}
          error={wrong(within, 0)}
          onChange={set('within')}
        />
      </div>
      <div className="flex flex-wrap gap-2">
        <Button type="submit" look="main">
          Keep the check
        </Button>
        {onLeave && <Button onClick={onLeave}>Not now</Button>}
      </div>
    </form>
  );
}
