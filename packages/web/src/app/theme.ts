import { useSyncExternalStore } from 'react';

export type Theme = 'day' | 'attic';

const KEY = 'yarnix-theme';
const listeners = new Set<() => void>();

/** The theme chosen on this device; without a choice, what the device prefers. */
export function storedTheme(): Theme {
  const stored = localStorage.getItem(KEY);
  if (stored === 'day' || stored === 'attic') return stored;
  return window.matchMedia('(prefers-color-scheme: dark)').matches ? 'attic' : 'day';
}

export function applyTheme(theme: Theme): void {
  document.documentElement.classList.toggle('attic', theme === 'attic');
  const ground = theme === 'attic' ? '#101315' : '#f4efe5';
  document.querySelector('meta[name="theme-color"]')?.setAttribute('content', ground);
}

export function chooseTheme(theme: Theme): void {
  localStorage.setItem(KEY, theme);
  applyTheme(theme);
  listeners.forEach((listener) => listener());
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

export const useTheme = (): Theme => useSyncExternalStore(subscribe, storedTheme);
