import { hasBegun, toRestore } from '@yarnix/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { beginStop } from './begin.ts';
import { afterStop, type StopProps } from './stop-props.ts';

/** What is opened beside a reading: the question of a new part, why it is put off, or what is said against its verdict. */
export interface Opened {
  readonly key: string;
  readonly what: 'replace' | 'put-off' | 'overrule' | 'wires';
}

/**
 * What a stop does, whatever it looks like: beginning it, what is put back at its end, going on, and what is opened of
 * it. `replace`: the stop behind takes no step of its own in the browser's history.
 */
export function useStop(props: StopProps, { replace }: { replace: boolean }) {
  const { record, stop } = props;
  const navigate = useNavigate();
  const [opened, setOpened] = useState<Opened | null>(null);
  const onward = afterStop(props);
  return {
    /** Whether there is nothing to do before its first reading, or it is done. */
    isBegun: hasBegun(record, stop) || (stop.instructions.length === 0 && !stop.settle),
    begin: () => beginStop(record, stop),
    /** What hangs loose that is put back before going on. */
    ends: toRestore(record, stop),
    isLast: onward.endsWith('close'),
    leave: () => void navigate(onward, { replace }),
    /** What is opened of a reading. */
    openedOf: (key: string) => (opened?.key === key ? opened.what : null),
    open: (key: string, what: Opened['what']) => setOpened({ key, what }),
    shut: () => setOpened(null),
  };
}

export type Stop = ReturnType<typeof useStop>;
