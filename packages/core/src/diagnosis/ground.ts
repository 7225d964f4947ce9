import type { FaultId } from '../circuit/faults.ts';
import type { MachineSpec } from '../circuit/machine-spec.ts';
import { causesOf, pairOf, type Cause } from './causes.ts';
import type { Told } from './chances.ts';
import { expectationOf, type Expectation } from './expectations.ts';
import { testsOf } from './tests.ts';
import type { Test } from './test-shape.ts';

/** What of a machine is worked out once, and asked again and again: its causes, its tests, what each would say under each. */
export interface Ground extends Told {
  readonly spec: MachineSpec;
  /** The same with pairs of faults that nothing ties together. */
  readonly with: (pairs: readonly (readonly [FaultId, FaultId])[]) => Ground;
}

/** Works something out of a test once. */
export function oncePerTest<T>(make: (test: Test) => T): (test: Test) => T {
  const known = new Map<string, T>();
  return (test) => {
    const before = known.get(test.id);
    if (before !== undefined) return before;
    const made = make(test);
    known.set(test.id, made);
    return made;
  };
}

interface Paired {
  readonly cause: Cause;
  readonly expect: (test: Test) => Expectation;
}

/** The ground of a hunt on a machine. What each test would say is worked out when it is first asked for. */
export function groundOf(spec: MachineSpec): Ground {
  const listed = causesOf(spec);
  const tests = new Map(testsOf(spec).map((test) => [test.id, test]));
  const expectListed = oncePerTest((test: Test) => expectationOf(test, listed));
  const pairs = new Map<string, Paired | null>();
  const pairAt = ([one, other]: readonly [FaultId, FaultId]): Paired | null => {
    const key = `${one}+${other}`;
    const before = pairs.get(key);
    if (before !== undefined) return before;
    const cause = pairOf(spec, one, other);
    const expect = (test: Test) => expectationOf(test, cause ? [cause] : [], expectListed(test).answers);
    const made = cause && { cause, expect: oncePerTest(expect) };
    pairs.set(key, made);
    return made;
  };
  const ground: Ground = {
    spec,
    causes: listed,
    tests,
    expect: expectListed,
    with(wanted) {
      const more = wanted.flatMap((pair) => pairAt(pair) ?? []);
      if (more.length === 0) return ground;
      return {
        ...ground,
        causes: [...listed, ...more.map(({ cause }) => cause)],
        expect: oncePerTest((test) => {
          const { answers, chances } = expectListed(test);
          return { answers, chances: [...chances, ...more.flatMap(({ expect }) => expect(test).chances)] };
        }),
      };
    },
  };
  return ground;
}
