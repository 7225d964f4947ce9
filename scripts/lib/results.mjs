import { existsSync, readFileSync } from 'node:fs';
import { relative } from 'node:path';
import { root } from './paths.mjs';

/** Of a failed test so many lines are told again at the end. */
const LINES_OF_FAILURE = 14;
/** Of a failed journey so many lines of what the screen showed: where the tests ran there may be nobody to look at it later. */
const LINES_OF_SCREEN = 100;

const firstLines = (text, most) => text.trimEnd().split('\n').slice(0, most).join('\n');

/** What Jest wrote of a run: { passed, failed, failures, took }. */
export function readJest(file) {
  const { numPassedTests, numFailedTests, testResults } = JSON.parse(readFileSync(file, 'utf8'));
  const suites = testResults.map((suite) => ({ ...suite, name: relative(root, suite.name) }));
  // A file that cannot be loaded has no test that could fail.
  const broken = suites.filter(({ status, assertionResults }) => status === 'failed' && assertionResults.length === 0);
  const failures = [
    ...suites.flatMap(({ name, assertionResults }) =>
      assertionResults
        .filter(({ status }) => status === 'failed')
        .map((test) => `  ${name}: ${test.fullName}\n${firstLines(test.failureMessages.join('\n'), LINES_OF_FAILURE)}`),
    ),
    ...broken.map(({ name, message }) => `  ${name}\n${firstLines(message, LINES_OF_FAILURE)}`),
  ];
  const took = suites.flatMap(({ name, assertionResults }) =>
    assertionResults.map(({ duration, fullName }) => ({ ms: duration ?? 0, title: `${name}: ${fullName}` })),
  );
  return { passed: numPassedTests, failed: numFailedTests + broken.length, failures, took };
}

const specsIn = (suite) => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specsIn)];

function screenOf({ attachments = [] }) {
  const path = attachments.find(({ name }) => name === 'error-context')?.path;
  return path && existsSync(path) ? firstLines(readFileSync(path, 'utf8'), LINES_OF_SCREEN) : '';
}

/** What Playwright wrote of a run: the same. A journey has one try; one that did not run has not passed. */
export function readPlaywright(file) {
  const { suites, errors } = JSON.parse(readFileSync(file, 'utf8'));
  const tests = suites
    .flatMap(specsIn)
    .flatMap((spec) =>
      spec.tests.map((test) => ({ ...test, title: `[${test.projectName}] ${spec.file}: ${spec.title}` })),
    );
  const failed = tests.filter(({ status }) => status === 'unexpected' || status === 'flaky');
  const missed = tests.filter(({ results }) => results.length === 0);
  const told = failed.map(({ title, results }) => {
    const last = results.at(-1);
    const why = firstLines((last?.errors ?? []).map(({ message }) => message).join('\n'), LINES_OF_FAILURE);
    return `  ${title}\n${why}\n${screenOf(last ?? {})}`;
  });
  return {
    passed: tests.filter(({ status }) => status === 'expected').length,
    failed: failed.length + missed.length + errors.length,
    failures: [
      ...told,
      ...missed.map(({ title }) => `  ${title}: did not run`),
      ...errors.map((e) => `  ${e.message}`),
    ],
    took: tests.map(({ title, results }) => ({ ms: results.reduce((sum, r) => sum + r.duration, 0), title })),
  };
}
