import { useEffect } from 'react';

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement || target instanceof HTMLSelectElement;

/** Steps through the rows by J and K, sets the one in focus aside by S. Enter opens it, as it does any link. */
export function useRowKeys(): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      const rows = [...document.querySelectorAll<HTMLElement>('[data-row]')];
      const here = rows.findIndex((row) => row.parentElement?.contains(document.activeElement));
      const step = { j: 1, k: -1 }[event.key];
      if (step !== undefined) {
        event.preventDefault();
        rows[Math.min(rows.length - 1, Math.max(0, here + step))]?.focus();
      }
      if (event.key === 's' && here >= 0) {
        event.preventDefault();
        rows[here]?.parentElement?.querySelector<HTMLElement>('[data-set-aside]')?.click();
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
