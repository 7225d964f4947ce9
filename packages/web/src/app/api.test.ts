import { ApiProblem, change, clockOffMs, get, NoAnswer, put } from './api.ts';

type Reply = Partial<Response> | Error;
let reply: Reply;
const asked: RequestInit[] = [];
globalThis.fetch = ((_path: string, init: RequestInit = {}) => {
  asked.push(init);
  return reply instanceof Error ? Promise.reject(reply) : Promise.resolve(reply);
}) as typeof fetch;

const answers = (status: number, body: unknown, headers: Record<string, string> = {}): void => {
  const json = () => (body === undefined ? Promise.reject(new SyntaxError('no JSON')) : Promise.resolve(body));
  reply = { ok: status < 300, status, headers: new Headers(headers), json };
};
const problem = (over: object = {}) => ({
  ...{ type: 't', title: 'Not taken', status: 422, code: 'entry-refused', detail: 'Beyond any meter.' },
  ...over,
});
const told = async (asking: Promise<unknown>): Promise<unknown> =>
  asking.then(
    () => null,
    (error: unknown) => error,
  );

test('what the server will not take is told with its own sentence and its fields', async () => {
  answers(422, problem({ errors: [{ path: 'inputs.volts', detail: 'too many' }] }));
  const error = await told(put('/api/readings/x', {}));
  expect(error).toBeInstanceOf(ApiProblem);
  expect((error as ApiProblem).message).toBe('Beyond any meter.');
  expect((error as ApiProblem).problem.errors).toEqual([{ path: 'inputs.volts', detail: 'too many' }]);
});

test.each([429, 502, 503, 504])('%s passes by itself, after as long as the server asks for', async (status) => {
  answers(status, problem({ status }), { 'retry-after': '7' });
  const error = await told(put('/api/readings/x', {}));
  expect(error).toBeInstanceOf(NoAnswer);
  expect((error as NoAnswer).retryAfterMs).toBe(7000);
  answers(status, undefined);
  expect(((await told(put('/api/readings/x', {}))) as NoAnswer).retryAfterMs).toBeNull();
});

test('a fault without a reason is an answer all the same: sending it again would not help', async () => {
  answers(500, undefined);
  const error = (await told(put('/api/readings/x', {}))) as ApiProblem;
  expect([error.problem.code, error.problem.status]).toEqual(['no-reason', 500]);
});

test('no network, and a page of somebody else’s in between, are no answers', async () => {
  reply = new TypeError('no network');
  expect(await told(put('/api/readings/x', {}))).toBeInstanceOf(NoAnswer);
  answers(200, undefined);
  expect(await told(put('/api/readings/x', {}))).toBeInstanceOf(NoAnswer);
});

test('an answer that is not as it was agreed is not taken for one', async () => {
  answers(200, { firm: 'nobody' });
  expect(await told(get('/api/session', 'sessionSchema'))).toMatchObject({ name: 'ZodError' });
  expect(await told(change('PUT', '/api/planning', {}, 'planningSchema'))).toMatchObject({ name: 'ZodError' });
});

test('how far the device’s clock is off is known from every answer that tells its time', async () => {
  answers(200, {}, { date: new Date(Date.now() - 3 * 3_600_000).toUTCString() });
  await put('/api/readings/x', {});
  expect(clockOffMs()).toBeGreaterThan(3 * 3_600_000 - 5000);
  expect(clockOffMs()).toBeLessThan(3 * 3_600_000 + 5000);
  answers(200, {});
  await put('/api/readings/x', {});
  expect(clockOffMs()).toBeGreaterThan(3 * 3_600_000 - 5000);
});

test('a picture goes as it is, all else as JSON', async () => {
  answers(200, {});
  const picture = new Blob(['x'], { type: 'image/jpeg' });
  await put('/api/photos/x', picture);
  expect(asked.at(-1)).toMatchObject({ body: picture, headers: { 'content-type': 'application/octet-stream' } });
  await put('/api/readings/x', { inputs: { volts: 240 } });
  expect(asked.at(-1)).toMatchObject({
    body: '{"inputs":{"volts":240}}',
    headers: { 'content-type': 'application/json' },
  });
});
