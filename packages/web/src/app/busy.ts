/** What the app has under way, by name, and how many of each. */
const under = new Map<string, number>();
const listeners = new Set<() => void>();

/** Told of something that has begun and will end; returns what tells of its end, once. */
export function busyWith(what: string): () => void {
  under.set(what, (under.get(what) ?? 0) + 1);
  listeners.forEach((listener) => listener());
  let isOver = false;
  return () => {
    if (isOver) return;
    isOver = true;
    const left = (under.get(what) ?? 1) - 1;
    if (left > 0) under.set(what, left);
    else under.delete(what);
    listeners.forEach((listener) => listener());
  };
}

/** The same for as long as a promise is open, however it ends. */
export function busyUntil<T>(what: string, work: Promise<T>): Promise<T> {
  const over = busyWith(what);
  return work.finally(over);
}

export const busyNow = (): readonly string[] => [...under.keys()];

export const onBusy = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
