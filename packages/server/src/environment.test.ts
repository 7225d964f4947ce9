import { clockFrom, environmentFrom } from './environment.ts';

const DATABASE_URL = 'postgres://someone@127.0.0.1:5432/there';

test('what is left out has its usual value', () => {
  expect(environmentFrom({ DATABASE_URL, PORT: '', HOME: '/' })).toEqual({
    environment: {
      DATABASE_URL,
      PORT: 4870,
      LOG_LEVEL: 'info',
      PROBE_SPEED: 1,
      REFIT_WORKERS: 2,
      REFIT_PRIORITY: 10,
      AUTO_REFIT: 'on',
      ALLOWED_HOSTS: [],
    },
  });
});

test.each([
  [{}, 'DATABASE_URL is missing'],
  [{ DATABASE_URL, PORT: 'http' }, 'PORT is "http"'],
  [{ DATABASE_URL, PORT: '70000' }, 'PORT is "70000"'],
  [{ DATABASE_URL, PORT: '4870.5' }, 'PORT is "4870.5"'],
  [{ DATABASE_URL, PROBE_SPEED: '0' }, 'PROBE_SPEED is "0"'],
  [{ DATABASE_URL, CLOCK_FROM: 'yesterday' }, 'CLOCK_FROM is "yesterday"'],
  [{ DATABASE_URL, AUTO_REFIT: 'yes' }, 'AUTO_REFIT is "yes"'],
  [{ DATABASE_URL, LOG_LEVEL: 'loud' }, 'LOG_LEVEL is "loud"'],
  [{ DATABASE_URL: 'localhost' }, 'DATABASE_URL is "localhost"'],
])('%j is one clear sentence', (variables, said) => {
  const read = environmentFrom(variables);
  expect(read).toHaveProperty('trouble', expect.stringContaining(said));
  expect((read as { trouble: string }).trouble.split('\n')).toHaveLength(1);
});

test('a clock set to a moment goes on from there, the usual one is the real one', async () => {
  const [set, real] = [clockFrom('2026-01-01T00:00:00Z'), clockFrom(undefined)];
  await new Promise((resolve) => setTimeout(resolve, 20));
  const passed = set().getTime() - Date.parse('2026-01-01T00:00:00Z');
  expect(passed).toBeGreaterThanOrEqual(15);
  expect(passed).toBeLessThan(60_000);
  expect(Math.abs(real().getTime() - Date.now())).toBeLessThan(60_000);
});
