import { useState } from 'react';

function keptAs<T extends object>(name: string | null, start: T): T {
  if (name === null) return start;
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(name) ?? 'null');
    return typeof kept === 'object' && kept !== null ? { ...start, ...kept } : start;
  } catch {
    // What cannot be read is as good as nothing.
    return start;
  }
}

/**
 * What is typed into a form that belongs to nothing yet, kept on this device from the key that typed it until the form is sent or
 * left: `[draft, change, forget]`. Without a name it is kept in the page alone.
 */
export function useKeptDraft<T extends object>(
  name: string | null,
  start: () => T,
): [T, (next: T) => void, () => void] {
  const [draft, setDraft] = useState(() => keptAs(name, start()));
  const change = (next: T) => {
    setDraft(next);
    if (name === null) return;
    try {
      localStorage.setItem(name, JSON.stringify(next));
    } catch {
      // Without room for it the page alone has it.
    }
  };
  return [draft, change, () => name !== null && localStorage.removeItem(name)];
}
