import { queryOptions } from '@tanstack/react-query';
import { keepZone } from '../kit/local-day.ts';
import { get } from './api.ts';

/** Every question the screens ask of the server, by one key each. */
export const queries = {
  session: () =>
    queryOptions({
      queryKey: ['session'],
      queryFn: async ({ signal }) => {
        const session = await get('/api/session', 'sessionSchema', signal);
        keepZone(session.firm.zone);
        return session;
      },
    }),
  systems: (search: string) =>
    queryOptions({
      queryKey: ['systems', search],
      queryFn: ({ signal }) => get(`/api/systems?${search}`, 'systemsPageSchema', signal),
      placeholderData: (previous) => previous,
    }),
  system: (id: string) =>
    queryOptions({
      queryKey: ['system', id],
      queryFn: ({ signal }) => get(`/api/systems/${id}`, 'systemDetailSchema', signal),
    }),
  visits: () =>
    queryOptions({ queryKey: ['visits'], queryFn: ({ signal }) => get('/api/visits', 'visitsPageSchema', signal) }),
  causes: () =>
    queryOptions({ queryKey: ['causes'], queryFn: ({ signal }) => get('/api/causes', 'provedCausesSchema', signal) }),
  probeFaults: () =>
    queryOptions({
      queryKey: ['probe-faults'],
      queryFn: ({ signal }) => get('/api/probes/faults', 'probeFaultsSchema', signal),
    }),
  followUps: () =>
    queryOptions({
      queryKey: ['follow-ups'],
      queryFn: ({ signal }) => get('/api/follow-ups', 'followUpsPageSchema', signal),
    }),
  week: (from: string, days: number) =>
    queryOptions({
      queryKey: ['week', from, days],
      queryFn: ({ signal }) => get(`/api/week?from=${from}&days=${days}`, 'weekSchema', signal),
      placeholderData: (previous) => previous,
      staleTime: 0,
    }),
  reportLink: (visitId: string) =>
    queryOptions({
      queryKey: ['report-link', visitId],
      queryFn: ({ signal }) => get(`/api/visits/${visitId}/report-link`, 'reportLinkSchema', signal),
      staleTime: 0,
    }),
  reportHead: () =>
    queryOptions({
      queryKey: ['report-head'],
      queryFn: ({ signal }) => get('/api/report-head', 'reportHeadSchema', signal),
      staleTime: 0,
    }),
  planning: () =>
    queryOptions({
      queryKey: ['planning'],
      queryFn: ({ signal }) => get('/api/planning', 'planningSchema', signal),
      staleTime: 0,
    }),
  van: (personId: string, day: string) =>
    queryOptions({
      queryKey: ['van', personId, day],
      queryFn: ({ signal }) => get(`/api/vans/${personId}/days/${day}`, 'vanSchema', signal),
      staleTime: 0,
    }),
  reference: () =>
    queryOptions({
      queryKey: ['reference'],
      queryFn: ({ signal }) => get('/api/openapi.json', 'referenceSchema', signal),
    }),
  calendars: () =>
    queryOptions({
      queryKey: ['calendars'],
      queryFn: ({ signal }) => get('/api/calendars', 'calendarsSchema', signal),
      staleTime: 0,
    }),
  jobs: (search: string) =>
    queryOptions({
      queryKey: ['jobs', search],
      queryFn: ({ signal }) => get(`/api/jobs?${search}`, 'jobsPageSchema', signal),
      placeholderData: (previous) => previous,
      staleTime: 0,
    }),
  watchChanges: () =>
    queryOptions({
      queryKey: ['watch', 'changes'],
      queryFn: ({ signal }) => get('/api/watch/changes', 'watchChangesSchema', signal),
    }),
  meters: () =>
    queryOptions({
      queryKey: ['meters'],
      // The question is not given up when one place of meters is left for another: the next one would wait for an answer
      // that never comes.
      queryFn: () => get('/api/meters', 'metersSchema'),
      staleTime: 0,
    }),
  schools: () =>
    queryOptions({ queryKey: ['schools'], queryFn: ({ signal }) => get('/api/schools', 'schoolsSchema', signal) }),
  preview: (id: string) =>
    queryOptions({
      queryKey: ['preview', id],
      queryFn: ({ signal }) => get(`/api/schools/previews/${id}`, 'previewSchema', signal),
    }),
  imports: () =>
    queryOptions({
      queryKey: ['imports'],
      queryFn: ({ signal }) => get('/api/imports', 'importsSchema', signal),
      staleTime: 0,
    }),
  import: (id: string) =>
    queryOptions({
      queryKey: ['import', id],
      queryFn: ({ signal }) => get(`/api/imports/${id}`, 'importDetailSchema', signal),
      staleTime: 0,
    }),
  restores: () =>
    queryOptions({
      queryKey: ['restores'],
      queryFn: ({ signal }) => get('/api/restores', 'restoresSchema', signal),
      staleTime: 0,
    }),
  refit: () =>
    queryOptions({
      queryKey: ['refit'],
      queryFn: ({ signal }) => get('/api/refits/latest', 'latestRefitSchema', signal),
    }),
  watch: (search: string) =>
    queryOptions({
      queryKey: ['watch', search],
      queryFn: ({ signal }) => get(`/api/watch?${search}`, 'watchPageSchema', signal),
      placeholderData: (previous) => previous,
    }),
};
