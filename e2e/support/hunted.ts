import {
  benchOf,
  enteredFor,
  machineSpecOf,
  readMeasure,
  soundMachine,
  testsOf,
  withFaults,
  type CircuitFaultId,
  type CircuitReading,
  type Plate,
  type SystemKind,
} from '@yarnix/core';
import type { Page } from '@playwright/test';
import { expect } from './app.ts';

/** What a machine with a fault answers to the tests it is put to. */
export function machineWith(
  kind: SystemKind,
  plate: Plate,
  fault: CircuitFaultId | null,
): (testId: string) => CircuitReading {
  const spec = machineSpecOf(kind, plate);
  const bench = benchOf(withFaults(soundMachine(spec), fault === null ? [] : [fault]));
  const tests = new Map(testsOf(spec).map((test) => [test.id, test]));
  return (testId) => {
    const test = tests.get(testId);
    if (!test) throw new Error(`no test ${testId}`);
    return enteredFor(test, readMeasure(bench, test.measure));
  };
}

const RUNNERS: Readonly<Record<string, string>> = {
  compressor: 'Compressor',
  'outdoor-fan': 'Outdoor fan',
  blower: 'Blower',
  strips: 'Electric heat',
  'gas-burner': 'Gas burner',
  nothing: 'Nothing runs',
};
const CHOICES: Readonly<Record<string, RegExp>> = {
  free: /Turns freely/,
  drags: /Drags/,
  clear: /Clear all over/,
  bands: /Bands/,
  'base-ice': /from the base/,
  held: /It held/,
  blew: /It blew/,
  clean: /^Clean$/,
  dirty: /Dirty/,
  cold: /Colder/,
  warm: /Warmer/,
  'as-room': /As the room/,
  usual: /Under 0\.75|As usual/,
  high: /0\.75 in wc or more/,
  little: /Under (three|four)/,
  much: /Over by/,
  right: /As the chart|4 in wc or more/,
  low: /Well under|Under [14]/,
  good: /1 µA or more/,
};

/** Answers the test that is offered, as the machine does, by tapping and typing. */
async function answer(page: Page, testId: string, reading: CircuitReading): Promise<void> {
  const test = page.getByRole('region', { name: 'Next test' });
  if (typeof reading === 'number' && Number.isNaN(reading)) {
    await test.getByRole('button', { name: 'Nothing runs to read it of' }).click();
    return;
  }
  if (testId.startsWith('call-check') || testId.startsWith('forced-defrost')) {
    // That nothing runs is an answer by itself; what runs may have company.
    if (reading === 'nothing') return test.getByRole('button', { name: 'Nothing runs', exact: true }).click();
    for (const runner of String(reading).split(' '))
      await test.getByRole('button', { name: RUNNERS[runner] ?? runner, exact: true }).click();
    await test.getByRole('button', { name: 'Take it', exact: true }).click();
    return;
  }
  if (typeof reading === 'string' && reading !== 'jumps') {
    await test.getByRole('radio', { name: CHOICES[reading] ?? reading }).click();
    return;
  }
  const text = reading === Infinity ? 'OL' : typeof reading === 'number' ? reading.toFixed(2) : reading;
  const input = test.getByRole('textbox').first();
  await input.fill(text);
  await input.press('Enter');
}

/** Follows a hunt until it is over; how many tests it took. What asks for several figures is passed over, and what `cannot` names. */
export async function followHunt(
  page: Page,
  machine: (testId: string) => CircuitReading,
  most = 14,
  cannot = /^(temperature-split|sensor-error)/,
): Promise<number> {
  const test = page.getByRole('region', { name: 'Next test' });
  const over = page.getByRole('region', { name: 'How the hunt stands' });
  for (let taken = 0; taken < most; taken++) {
    await expect(test.or(over).first()).toBeVisible({ timeout: 30_000 });
    await expect(page.locator('[aria-busy="true"]')).toHaveCount(0, { timeout: 30_000 });
    if (await over.isVisible()) return taken;
    const id = (await test.getAttribute('data-test')) ?? '';
    const again = (await test.getAttribute('data-again')) !== null ? '' : ':not([data-again])';
    const several = (await test.getByRole('textbox').count()) > 1;
    if (several || cannot.test(id)) await test.getByRole('button', { name: 'Cannot take it' }).click();
    else await answer(page, id, machine(id));
    // The next report, or the end; what was answered may be asked for once more, beside the first reading.
    await expect(page.locator(`[data-test="${id}"]${again}`)).toHaveCount(0, { timeout: 30_000 });
  }
  return most;
}

/** Begins a call on a system with a complaint, in some weather if it is noted. */
export async function beginCall(
  page: Page,
  at: string,
  systemId: string,
  complaint: string,
  { outdoorF, atTimes = false }: { outdoorF?: string; atTimes?: boolean } = {},
): Promise<void> {
  await page.goto(`${at}/systems/${systemId}/find`);
  await page.getByRole('button', { name: complaint }).click();
  if (outdoorF !== undefined) await page.getByLabel('Outdoor air').fill(outdoorF);
  if (atTimes) await page.getByLabel('It comes and goes').check();
  await page.getByRole('button', { name: 'Find the cause' }).click();
  await expect(page.getByRole('region', { name: 'Next test' })).toBeVisible({ timeout: 30_000 });
}
