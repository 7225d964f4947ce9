import { planningSchema, readPlace, sayPlace, type PlanningSettings } from '@yarnix/core';
import { zodResolver } from '@hookform/resolvers/zod';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useForm, type UseFormRegisterReturn } from 'react-hook-form';
import { Link } from 'react-router';
import { z } from 'zod';
import { change } from '../../app/api.ts';
import { queries } from '../../app/queries.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { asMinute, asTime } from '../../kit/clock-time.ts';
import { KeepIt } from '../../kit/keep-it.tsx';
import { Field } from '../../kit/field.tsx';

const NO_PLACE = 'is no place: paste latitude and longitude, as 40.7128, -74.0060';

const placeSchema = z
  .string()
  .refine((text) => text.trim() === '' || readPlace(text) !== null, NO_PLACE)
  .transform(readPlace);
const minuteSchema = z.string().transform((text) => asMinute(text) ?? NaN);
const each = planningSchema.shape;

/** How a firm plans, as it is typed: times and places as text. All that is wrong is told at once, and then what does not fit together. */
const formSchema = z
  .object({
    heat: z.string().trim().pipe(each.heat),
    frost: z.string().trim().pipe(each.frost),
    begins: minuteSchema.pipe(each.begins),
    ends: minuteSchema.pipe(each.ends),
    breakMinutes: z
      .string()
      .transform((text) => (text.trim() === '' ? NaN : Number(text)))
      .pipe(each.breakMinutes),
    start: placeSchema,
    areas: z.record(z.string(), z.object({ area: z.string(), place: placeSchema })).transform(Object.values),
  })
  .pipe(planningSchema);
type Typed = z.input<typeof formSchema>;

/** The name of an area’s field: its own name may have points and brackets in it, which would lead to a field within it. */
const fieldOfArea = (area: string) => `in-${Array.from(area, (letter) => letter.codePointAt(0)).join('-')}` as const;

const typedPlace = (place: PlanningSettings['start']): string => (place ? sayPlace(place) : '');

const typedOf = (settings: PlanningSettings): Typed => ({
  heat: settings.heat,
  frost: settings.frost,
  begins: asTime(settings.begins),
  ends: asTime(settings.ends),
  breakMinutes: String(settings.breakMinutes),
  start: typedPlace(settings.start),
  areas: Object.fromEntries(
    settings.areas.map(({ area, place }) => [fieldOfArea(area), { area, place: typedPlace(place) }]),
  ),
});

/** Where each area is. */
function Areas({ areas, field }: { areas: PlanningSettings['areas']; field: (area: string) => FieldProps }) {
  if (areas.length === 0) return null;
  return (
    <section aria-labelledby="areas" className="grid gap-3">
      <h2 id="areas" className="text-xl font-bold">
        Where areas are
      </h2>
      <p className="text-[15px]">For systems whose own place is not known.</p>
      {areas.map(({ area }) => (
        <Field key={area} label={area} {...field(area)} />
      ))}
    </section>
  );
}

type FieldProps = UseFormRegisterReturn & { readonly error: string | undefined };

function PlanningForm({ settings }: { settings: PlanningSettings }) {
  const client = useQueryClient();
  const held = useMemo(() => typedOf(settings), [settings]);
  const { register, handleSubmit, reset, formState } = useForm<Typed, unknown, PlanningSettings>({
    resolver: zodResolver(formSchema),
    defaultValues: held,
    // An answer that comes late changes only what was not touched.
    values: held,
    resetOptions: { keepDirtyValues: true },
  });
  const { errors, isDirty } = formState;
  const keeping = useMutation({
    mutationFn: (body: PlanningSettings) => change('PUT', '/api/planning', body, 'planningSchema'),
    onSuccess: (kept) => {
      client.setQueryData(queries.planning().queryKey, kept);
      reset(typedOf(kept), { keepDirtyValues: false });
      return client.invalidateQueries({ queryKey: ['week'] });
    },
  });
  const field = (name: Exclude<keyof Typed, 'areas'>): FieldProps => ({
    ...register(name),
    error: errors[name]?.message,
  });
  const fieldAt = (area: string): FieldProps => {
    const name = fieldOfArea(area);
    return { ...register(`areas.${name}.place`), error: errors.areas?.[name]?.place?.message };
  };
  return (
    <form
      noValidate
      className="grid max-w-3xl gap-5"
      onSubmit={(event) => void handleSubmit((settings) => keeping.mutate(settings))(event)}
    >
      <div className="grid gap-3 md:grid-cols-2">
        <Field label="First heat, month-day" hint="What cools must be right before it." {...field('heat')} />
        <Field label="First frost, month-day" hint="What heats must be right before it." {...field('frost')} />
      </div>
      <div className="grid grid-cols-2 gap-3 md:grid-cols-3">
        <Field label="Days begin" type="time" {...field('begins')} />
        <Field label="Days end" type="time" {...field('ends')} />
        <Field label="Break" unit="min" inputMode="numeric" {...field('breakMinutes')} />
      </div>
      <Field
        label="Where days begin and end"
        hint="Latitude and longitude, pasted from any map. Left empty, days begin at their first address."
        {...field('start')}
      />
      <Areas areas={settings.areas} field={fieldAt} />
      <KeepIt look="main" keeping={keeping} isTouched={isDirty} />
    </form>
  );
}

/** How days are planned: seasons, hours, and where days begin. */
export function PlanningScreen() {
  const planning = useQuery(queries.planning());
  return (
    <div className="px-4 py-5 md:px-5">
      <Link to="/settings" className="font-semibold text-copper underline-offset-4 hover:underline">
        Settings
      </Link>
      <h1 className="pb-4 text-[28px] font-bold">How days are planned</h1>
      {planning.data ? (
        <PlanningForm settings={planning.data} />
      ) : planning.error ? (
        <Failed error={planning.error} what="The settings" retry={() => void planning.refetch()} />
      ) : (
        <Loading what="the settings" />
      )}
    </div>
  );
}
