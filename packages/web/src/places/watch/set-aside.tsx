import { dayOf, isoOf, nextRoundAfter, type WatchRow } from '@yarnix/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { AlarmClockOff, AlarmClock } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useState, type FormEvent } from 'react';
import { put, send } from '../../app/api.ts';
import { queries } from '../../app/queries.ts';
import { Button } from '../../kit/button.tsx';
import { Field } from '../../kit/field.tsx';
import { partName } from './part-name.ts';

/** Puts a part back into the list, or sets it aside. */
export function useSnooze() {
  const client = useQueryClient();
  const again = () => client.invalidateQueries({ queryKey: ['watch'] });
  const wake = useMutation({
    mutationFn: (id: string) => send('DELETE', `/api/watch/${id}/snooze`),
    onSuccess: again,
  });
  const snooze = useMutation({
    mutationFn: ({ id, until, reason }: { id: string; until: string; reason: string }) =>
      put(`/api/watch/${id}/snooze`, { until, reason }),
    onSuccess: again,
  });
  return { wake, snooze };
}

function Form({ row, onDone }: { row: WatchRow; onDone: () => void }) {
  const session = useQuery(queries.session());
  const today = dayOf(new Date().toISOString());
  const next = session.data ? nextRoundAfter(today, session.data.firm.policy) : today + 150;
  const [until, setUntil] = useState(isoOf(next));
  const [reason, setReason] = useState('');
  const { snooze } = useSnooze();
  const choices = [
    { label: 'Two weeks', day: today + 14 },
    { label: 'Six weeks', day: today + 42 },
    { label: 'Next round', day: next },
  ];
  const submit = (event: FormEvent) => {
    event.preventDefault();
    snooze.mutate({ id: row.componentId, until, reason: reason.trim() }, { onSuccess: onDone });
  };
  return (
    <form onSubmit={submit} className="grid gap-3">
      <p className="font-bold">Set {partName(row)} aside</p>
      <Field
        label="Because"
        value={reason}
        maxLength={200}
        autoFocus
        autoComplete="off"
        onChange={(e) => setReason(e.target.value)}
      />
      <div className="flex flex-wrap gap-2">
        {choices.map(({ label, day }) => (
          <button
            key={label}
            type="button"
            aria-pressed={until === isoOf(day)}
            onClick={() => setUntil(isoOf(day))}
            className="min-h-12 rounded-[4px] border-[1.5px] border-rule-strong px-3 font-semibold aria-pressed:border-copper aria-pressed:bg-copper aria-pressed:text-on-copper"
          >
            {label}
          </button>
        ))}
      </div>
      <Field
        label="Until"
        type="date"
        value={until}
        min={isoOf(today + 1)}
        onChange={(e) => setUntil(e.target.value)}
      />
      {snooze.error && <p className="font-semibold text-act">{snooze.error.message}</p>}
      <Button type="submit" look="main" disabled={reason.trim().length < 3 || snooze.isPending}>
        Set aside
      </Button>
    </form>
  );
}

/** Sets a part aside with a reason until a day; or takes it back into the list. */
export function SetAside({ row, onDone }: { row: WatchRow; onDone: () => void }) {
  const [isOpen, setOpen] = useState(false);
  const { wake } = useSnooze();
  const look = 'grid w-12 shrink-0 place-items-center text-soft hover:text-copper';
  if (row.snooze) {
    return (
      <button
        type="button"
        data-set-aside
        className={look}
        aria-label={`Back into the list: ${partName(row)}, ${row.address}`}
        onClick={() => wake.mutate(row.componentId)}
      >
        <AlarmClock aria-hidden size={21} />
      </button>
    );
  }
  return (
    <Popover.Root open={isOpen} onOpenChange={setOpen}>
      <Popover.Trigger data-set-aside className={look} aria-label={`Set aside: ${partName(row)}, ${row.address}`}>
        <AlarmClockOff aria-hidden size={21} />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          collisionPadding={12}
          aria-label="Set aside"
          className="z-20 w-[330px] rounded-[4px] border-[1.5px] border-rule-strong bg-raised p-4 shadow-lg"
        >
          <Form
            row={row}
            onDone={() => {
              setOpen(false);
              onDone();
            }}
          />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
