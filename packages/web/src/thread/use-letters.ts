import { useEffect, useState } from 'react';

const LETTERS = "13px 'Archivo Variable'";

/** Whether the app's letters are there: what is drawn on a canvas does not change by itself when they come. */
export function useLetters(): boolean {
  const [there, setThere] = useState(() => document.fonts.check(LETTERS));
  useEffect(() => {
    if (there) return;
    document.fonts.load(LETTERS).then(
      () => setThere(true),
      () => undefined,
    );
  }, [there]);
  return there;
}
