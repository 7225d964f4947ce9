import { runAndRead } from './run.mjs';
import { say } from './say.mjs';

/** Of a check that failed, so many of its last lines are told again at the end. */
const LINES_OF_FAILURE = 20;

/** A plain text: color codes would only be in the way. */
const plain = (text) =>
  // eslint-disable-next-line no-control-regex -- these are control characters
  text.replace(/\x1b\[[0-9;]*m/g, '');

/** What a step came to, though its runner may have died before it wrote its results. */
function resultOf({ name, read, mayBeEmpty = false }, code, output) {
  const lines = plain(output).trimEnd().split('\n').slice(-LINES_OF_FAILURE).join('\n');
  const lost = (why) => ({ passed: 0, failed: 1, failures: [`  ${name}: ${why}\n${lines}`], took: [] });
  let result;
  try {
    result = read({ code });
  } catch (error) {
    return lost(error.message);
  }
  if (code !== 0 && result.failed === 0) return lost(`ended with ${code}`);
  if (code !== 0 && result.failures.length === 0) return { ...result, failures: [`  ${name}:\n${lines}`] };
  if (result.passed + result.failed > 0) return result;
  return mayBeEmpty ? { ...result, passed: 1 } : lost('ran no test, which counts as a failure');
}

async function runStep(step) {
  const { name, command, args, env } = step;
  const began = Date.now();
  const options = { env: { ...process.env, FORCE_COLOR: '0', NO_COLOR: '1', ...env } };
  const { code, output } = await runAndRead(command, args, options, { shown: false });
  const seconds = (Date.now() - began) / 1000;
  const result = resultOf(step, code, output);
  // In one piece: what runs beside it does not speak in between.
  say(`${name}: ${result.passed} passed, ${result.failed} failed in ${seconds.toFixed(0)} s`);
  if (result.failed > 0) console.log(plain(output));
  return { name, seconds, ...result };
}

/**
 * Runs steps, at most `lanes` of them side by side, in the order they are given; `builds` come before them all, in the first
 * lane that is free. Resolves with what each came to, in that order.
 */
export async function runSteps(steps, lanes, builds = []) {
  const results = new Array(steps.length);
  const waiting = [
    ...builds,
    ...steps.map((step, at) => async () => {
      results[at] = await runStep(step);
    }),
  ];
  const lane = async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) await next();
  };
  await Promise.all(Array.from({ length: Math.max(1, lanes) }, lane));
  return results;
}
