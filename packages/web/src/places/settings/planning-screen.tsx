import { planningSchema, readPlace, sayPlace, type PlanningSettings } from '@yarnix/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { change } from '../../app/api.ts';
import { queries } from '../../app/queries.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { asMinute, asTime } from '../../kit/clock-time.ts';
import { KeepIt } from '../../kit/keep-it.tsx';
import { Field } from '../../kit/field.tsx';

const NO_PLACE = 'is no place: paste latitude and longitude, as 40.7128, -74.0060';

/** How a firm plans, as it is typed. */
interface Typed {
  readonly heat: string;
  readonly frost: string;
  readonly begins: string;
  readonly ends: string;
  readonly breakMinutes: string;
  readonly start: string;
  readonly areas: Readonly<Record<string, string>>;
}

const typedOf = (settings: PlanningSettings): Typed => ({
  heat: settings.heat,
  frost: settings.frost,
  begins: asTime(settings.begins),
  ends: asTime(settings.ends),
  breakMinutes: String(settings.breakMinutes),
  start: settings.start ? sayPlace(settings.start) : '',
  areas: Object.fromEntries(settings.areas.map(({ area, place }) => [area, place ? sayPlace(place) : ''])),
});

/** What was typed as settings, or what is wrong with it by field. */
function settingsFrom(typed: Typed): { settings: PlanningSettings } | { wrong: Readonly<Record<string, string>> } {
  const places = { start: typed.start, ...typed.areas };
  const wrongPlaces = Object.entries(places).filter(([, text]) => text.trim() !== '' && readPlace(text) === null);
  const read = planningSchema.safeParse({
    heat: typed.heat.trim(),
    frost: typed.frost.trim(),
    begins: asMinute(typed.begins),
    ends: asMinute(typed.ends),
    breakMinutes: typed.breakMinutes.trim() === '' ? NaN : Number(typed.breakMinutes),
    start: readPlace(typed.start),
    areas: Object.entries(typed.areas).map(([area, text]) => ({ area, place: readPlace(text) })),
  });
  if (read.success && wrongPlaces.length === 0) return { settings: read.data };
  return {
    wrong: {
      ...Object.fromEntries((read.error?.issues ?? []).map((issue) => [String(issue.path[0]), issue.message])),
      ...Object.fromEntries(wrongPlaces.map(([name]) => [name, NO_PLACE])),
    },
  };
}

/** Where each area is. */
function Areas({
  typed,
  wrong,
  onType,
}: {
  typed: Typed['areas'];
  wrong: Readonly<Record<string, string>>;
  onType: (area: string, text: string) => void;
}) {
  if (Object.keys(typed).length === 0) return null;
  return (
    <section aria-labelledby="areas" className="grid gap-3">
      <h2 id="areas" className="text-xl font-bold">
        Where areas are
      </h2>
      <p className="text-[15px]">For systems whose own place is not known.</p>
      {Object.entries(typed).map(([area, text]) => (
        <Field
          key={area}
          label={area}
          value={text}
          error={wrong[area]}
          onChange={(e) => onType(area, e.target.value)}
        />
      ))}
    </section>
  );
}

function PlanningForm({ settings }: { settings: PlanningSettings }) {
  const client = useQueryClient();
  // What is typed lies over what holds: an answer that comes late changes only what was not touched.
  const [over, setOver] = useState<Partial<Typed>>({});
  const held = typedOf(settings);
  const typed = { ...held, ...over, areas: { ...held.areas, ...over.areas } };
  const [wrong, setWrong] = useState<Readonly<Record<string, string>>>({});
  const keeping = useMutation({
    mutationFn: (body: PlanningSettings) => change('PUT', '/api/planning', body, 'planningSchema'),
    onSuccess: (kept) => {
      client.setQueryData(queries.planning().queryKey, kept);
      setOver({});
      return client.invalidateQueries({ queryKey: ['week'] });
    },
  });
  const keep = () => {
    const read = settingsFrom(typed);
    setWrong('wrong' in read ? read.wrong : {});
    if ('settings' in read) keeping.mutate(read.settings);
  };
  const field = (name: Exclude<keyof Typed, 'areas'>) => ({
    value: typed[name],
    error: wrong[name],
    onChange: (e: { target: { value: string } }) => setOver({ ...over, [name]: e.target.value }),
  });
  return (
    <form
      noValidate
      className="grid max-w-3xl gap-5"
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
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
      <Areas
        typed={typed.areas}
        wrong={wrong}
        onType={(area, text) => setOver({ ...over, areas: { ...over.areas, [area]: text } })}
      />
      <KeepIt look="main" keeping={keeping} isTouched={Object.keys(over).length > 0} />
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
