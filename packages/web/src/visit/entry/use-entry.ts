import type { Inputs, RoundField, RoundRecord } from '@yarnix/core';
import { useCallback, useRef, useState } from 'react';
import { press, type Key } from '../../kit/keypad.tsx';
import { choose, take, takeAsMeant, takeEntry, type } from './take.ts';

/** Where the pad types: a field and one of its inputs. */
export interface Spot {
  readonly key: string;
  readonly input: string;
}

export const spotsOf = (fields: readonly RoundField[]): Spot[] =>
  fields.flatMap((field) =>
    field.planned.method.inputs.length === 0
      ? [{ key: field.key, input: '' }]
      : field.planned.method.inputs.map((spec) => ({ key: field.key, input: spec.id })),
  );

const nameOf = (spot: Spot): string => `${spot.key}:${spot.input}`;

/** The entry of numbers at a stop: which spot is active, what keys do to it, and how it moves on. */
export function useEntry(
  record: RoundRecord,
  fields: readonly RoundField[],
  active: Spot | null,
  onActive: (spot: Spot) => void,
  onEnd: () => void,
) {
  const inputs = useRef(new Map<string, HTMLInputElement>());
  const [fresh, setFresh] = useState(true);
  const spots = spotsOf(fields);
  const fieldAt = (spot: Spot | null) => fields.find((f) => f.key === spot?.key) ?? null;
  const field = fieldAt(active);

  const focus = useCallback(
    (spot: Spot) => {
      setFresh(true);
      onActive(spot);
      inputs.current.get(nameOf(spot))?.focus();
    },
    [onActive],
  );

  const next = () => {
    const index = spots.findIndex((s) => s.key === active?.key && s.input === active.input);
    const isFilled = (spot: Spot) => (field?.texts[spot.input] ?? '').trim() !== '';
    // What is filled in already is not gone through again; the first empty input of the field is next, else the next field.
    const later = spots.slice(index + 1);
    const ahead = later.find((spot) => spot.key !== field?.key || !isFilled(spot));
    const leaving = field && ahead?.key !== field.key;
    const nothingThere = field?.typed === 'unfinished' || (field?.typed === 'nothing' && field.state !== 'taken');
    if (leaving && !nothingThere && !take(record, field)) return;
    if (ahead) focus(ahead);
    else onEnd();
  };

  const onKey = (key: Key) => {
    if (!active || !field) return;
    if (key === 'next') return next();
    // The first key after coming to a field replaces what is in it, as typing over a selection does.
    const now = fresh && key !== 'erase' && key !== '±' ? '' : (field.texts[active.input] ?? '');
    setFresh(false);
    type(record, field, active.input, press(now, key));
  };

  return {
    field,
    next,
    onKey,
    focus,
    register: (spot: Spot) => (element: HTMLInputElement | null) => {
      if (element) inputs.current.set(nameOf(spot), element);
      else inputs.current.delete(nameOf(spot));
    },
    onText: (f: RoundField, input: string, text: string) => {
      setFresh(false);
      type(record, f, input, text);
    },
    choose: (f: RoundField, input: string, value: string) => choose(record, f, input, value),
    /** Takes a whole entry: what is usual, or what the probes settled at. */
    takeAll: (f: RoundField, inputs: Inputs) => takeEntry(record, f, inputs),
    /** Leaving a field takes it when nothing stands against it. */
    leave: (f: RoundField) => void (f.typed === 'ready' && take(record, f)),
    keep: (f: RoundField) => void take(record, f, true),
    /** The machine was seen in the state the field is for. */
    settle: (f: RoundField) => void takeAsMeant(record, f),
    spec: field?.planned.method.inputs.find((i) => i.id === active?.input) ?? null,
  };
}
