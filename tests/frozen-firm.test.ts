import { readJson, standsOf, type FrozenFirm } from './frozen-firm/stands.ts';

/**
 * A firm that was frozen with how each of its parts stood, and what was said of each thread: whoever moves code without
 * meaning to change a verdict leaves all of it as it was. A rule changed on purpose: scripts/freeze-firm.ts.
 */
test('a frozen firm stands as it stood: no part and no sentence differs', () => {
  const now = JSON.parse(JSON.stringify(standsOf(readJson('firm') as FrozenFirm))) as Record<string, object>;
  const then = readJson('stands') as Record<string, Record<string, unknown>>;
  expect(Object.keys(then.parts ?? {})).toHaveLength(623);
  for (const what of ['parts', 'threads', 'prior']) {
    const [was, is] = [then[what] ?? {}, (now[what] ?? {}) as Record<string, unknown>];
    const names = new Set([...Object.keys(was), ...Object.keys(is)]);
    const differing = [...names].filter((name) => JSON.stringify(was[name]) !== JSON.stringify(is[name]));
    expect(differing.slice(0, 5).map((name) => ({ name, was: was[name], is: is[name] }))).toEqual([]);
  }
});
