import { isoOf, nextRoundAfter, snoozeSchema, type Snooze, type WatchRow } from '@yarnix/core';
import { zodResolver } from '@hookform/resolvers/zod';
import { useQuery } from '@tanstack/react-query';
import { Popover } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { queries } from '../../app/queries.ts';
import { Button } from '../../kit/button.tsx';
import { Field } from '../../kit/field.tsx';
import { partName } from './part-name.ts';
import { useSnooze } from './use-snooze.ts';
import { today as dayNow } from '../../kit/local-day.ts';

function Form({ row, onDone }: { row: WatchRow; onDone: () => void }) {
  const session = useQuery(queries.session());
  const today = dayNow();
  const next = session.data ? nextRoundAfter(today, session.data.firm.policy) : today + 150;
  const { register, handleSubmit, setValue, control, formState } = useForm<Snooze>({
    resolver: zodResolver(snoozeSchema),
    defaultValues: { until: isoOf(next), reason: '' },
  });
  const until = useWatch({ control, name: 'until' });
  const { errors } = formState;
  const { snooze } = useSnooze();
  const choices = [
    { label: 'Two weeks', day: today + 14 },
    { label: 'Six weeks', day: today + 42 },
    { label: 'Next round', day: next },
  ];
  const submit = handleSubmit((body) => snooze.mutate({ id: row.componentId, ...body }, { onSuccess: onDone }));
  return (
    <form noValidate onSubmit={(event) => void submit(event)} className="grid gap-3">
      <p className="font-bold">Set {partName(row)} aside</p>
      <Field
        label="Because"
        maxLength={200}
        autoFocus
        autoComplete="off"
        error={errors.reason?.message}
        {...register('reason')}
      />
      <div className="flex flex-wrap gap-2">
        {choices.map(({ label, day }) => (
          <button
            key={label}
            type="button"
            aria-pressed={until === isoOf(day)}
            onClick={() => setValue('until', isoOf(day))}
            className="min-h-12 rounded-[4px] border-[1.5px] border-rule-strong px-3 font-semibold aria-pressed:border-copper aria-pressed:bg-copper aria-pressed:text-on-copper"
          >
            {label}
          </button>
        ))}
      </div>
      <Field label="Until" type="date" min={isoOf(today + 1)} error={errors.until?.message} {...register('until')} />
      {snooze.error && <p className="font-semibold text-act">{snooze.error.message}</p>}
      <Button type="submit" look="main" disabled={snooze.isPending}>
        Set aside
      </Button>
    </form>
  );
}

/** The question that sets a part aside, open at the button that asks it. */
export default function SetAsidePopover({
  row,
  trigger,
  onDone,
}: {
  row: WatchRow;
  trigger: ReactNode;
  onDone: () => void;
}) {
  const [isOpen, setOpen] = useState(true);
  return (
    <Popover.Root open={isOpen} onOpenChange={setOpen}>
      <Popover.Trigger asChild>{trigger}</Popover.Trigger>
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
