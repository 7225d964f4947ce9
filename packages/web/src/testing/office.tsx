import {
  componentsFor,
  DEFAULT_POLICY,
  type ComponentView,
  type Session,
  type SystemDetail,
  type SystemKind,
} from '@yarnix/core';
import { componentView, HEAT_PUMP_PLATE, systemView } from '@yarnix/core/testing';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render } from '@testing-library/react';
import type { ComponentType } from 'react';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { v4 } from 'uuid';
import { startSending } from '../field/outbox.ts';
import { noteRefusal } from '../field/rounds.ts';

/** A request as the office got it. */
export interface Asked {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
}

type Answer = object | ((asked: Asked) => object | Promise<object>);

/** The office as a screen meets it: what it answers by method and path, whether it can be reached, and what it was asked. */
export const office = {
  reachable: true,
  answers: new Map<string, Answer>(),
  asked: [] as Asked[],
  /** Answers `path` with that; a path may end in "*". */
  answer(path: string, answer: Answer): void {
    office.answers.set(path.includes(' ') ? path : `GET ${path}`, answer);
  },
  /** What was sent there, the latest last. */
  sent: (method: string, path: RegExp): unknown[] =>
    office.asked.filter((a) => a.method === method && path.test(a.path)).map(({ body }) => body),
};

/** The office refuses it, and says why. */
export class Refused {
  constructor(
    readonly detail: string,
    readonly errors: readonly { path: string; detail: string }[] = [],
    readonly status = 422,
  ) {}
}

const reply = (status: number, body: unknown): Response =>
  ({ ok: status < 300, status, headers: new Headers(), json: () => Promise.resolve(body) }) as Response;

async function answered(asked: Asked): Promise<Response> {
  const key = `${asked.method} ${asked.path}`;
  const plain = key.replace(/\?.*/, '');
  const found =
    office.answers.get(key) ??
    office.answers.get(plain) ??
    [...office.answers].find(([path]) => path.endsWith('*') && key.startsWith(path.slice(0, -1)))?.[1];
  const body = typeof found === 'function' ? await (found as (asked: Asked) => unknown)(asked) : found;
  if (body instanceof Refused)
    return reply(body.status, {
      ...{ type: 't', title: 'Not taken', status: body.status, code: 'refused', detail: body.detail },
      errors: body.errors,
    });
  if (body !== undefined) return reply(200, body);
  // What is sent to an address of one’s own is taken; what is asked for and not there is not.
  return asked.method === 'GET'
    ? reply(404, { type: 't', title: 'Not there', status: 404, code: 'not-found', detail: `No ${asked.path} here.` })
    : reply(200, {});
}

globalThis.fetch = ((path: string, init: RequestInit = {}) => {
  if (!office.reachable) return Promise.reject(new TypeError('no network'));
  const body: unknown = typeof init.body === 'string' ? JSON.parse(init.body) : init.body;
  const asked = { method: init.method ?? 'GET', path, body };
  office.asked.push(asked);
  return answered(asked);
}) as typeof fetch;

Object.assign(navigator, { locks: { request: (_name: string, work: () => Promise<unknown>) => work() } });
Object.assign(globalThis, {
  // Nothing has a size here that could change.
  ResizeObserver: class {
    observe = () => undefined;
    unobserve = () => undefined;
    disconnect = () => undefined;
  },
});
Object.assign(Element.prototype, { scrollIntoView: () => undefined, hasPointerCapture: () => false });
Object.assign(window, { scrollTo: () => undefined });
// The app's letters are there.
Object.defineProperty(document, 'fonts', {
  value: { check: () => true, load: () => Promise.resolve([]), status: 'loaded' },
});

let width = 1280;
Object.assign(window, {
  matchMedia: (query: string) => ({
    matches: width >= Number(/min-width: (\d+)px/.exec(query)?.[1] ?? Infinity),
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
  }),
});

/** The size of the screens that are opened next. */
export function at(size: 'phone' | 'wide'): void {
  width = size === 'phone' ? 390 : 1280;
}

export const PERSON = { id: v4(), name: 'Ottoline Marsh', initials: 'OM' };
export const FIRM = { id: v4(), name: 'Test Air', zone: 'America/Denver', policy: DEFAULT_POLICY, prior: null };

export const sessionView = (over: Partial<Session> = {}): Session => ({
  firm: FIRM,
  person: PERSON,
  refrigerants: [],
  meters: [],
  now: new Date().toISOString(),
  ...over,
});

/** A system with all the parts its kind has, as the office tells of it. */
export function systemOf(over: Partial<SystemDetail> = {}): SystemDetail & { part: (slot: string) => ComponentView } {
  const kind: SystemKind = over.kind ?? 'split-heat-pump';
  const plate = over.plate ?? HEAT_PUMP_PLATE;
  const components = componentsFor(kind, plate).map(({ slot, kind: part, plate: own }) =>
    componentView({ id: v4(), slot, kind: part, plate: own, standing: 'unproven' }),
  );
  const view = systemView({ id: v4(), address: '12 Ropewalk Yard', kind, plate, components, ...over });
  return { ...view, part: (slot) => view.components.find((c) => c.slot === slot)! };
}

/** Opens a screen as the router does, at an address; tells where it is, and how to go on. `Broken`: what shows in place of a screen that throws. */
export function open(path: string, screens: Readonly<Record<string, ComponentType>>, Broken?: ComponentType) {
  const client = new QueryClient({
    defaultOptions: { queries: { retry: false }, mutations: { networkMode: 'always' } },
  });
  const router = createMemoryRouter(
    [
      ...Object.entries(screens).map(([at, Component]) => ({
        path: at,
        Component,
        ...(Broken && { ErrorBoundary: Broken }),
      })),
      { path: '*', element: <p>Somewhere else</p> },
    ],
    { initialEntries: [path] },
  );
  const drawn = render(
    <QueryClientProvider client={client}>
      <RouterProvider router={router} />
    </QueryClientProvider>,
  );
  return { ...drawn, client, here: () => router.state.location.pathname + router.state.location.search };
}

/** An office that knows of nothing but who asks; to be called before each test. */
export function openOffice(): void {
  cleanup();
  office.reachable = true;
  office.answers.clear();
  office.asked.length = 0;
  office.answer('/api/session', () => sessionView());
  at('wide');
}

/** Sends what is kept on the device to the office, as the app does from its start; to be called once a file. */
export const sendFromHere = (): void =>
  startSending(
    () => undefined,
    (refused, why) => noteRefusal(refused.visitId, refused.id, why),
  );
