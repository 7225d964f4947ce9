import { STANDING_NAMES, type Standing } from '@yarnix/core';

/**
 * The five standing marks, each a state of the same thread: whole with its knot, looped, fraying, cut, dotted.
 * They differ in outline, so that they are told apart in gray and in glare.
 */
const DRAWN: Readonly<Record<Standing, React.ReactNode>> = {
  sound: (
    <>
      <path d="M2 9H22" />
      <circle cx="25" cy="9" r="4.2" fill="currentColor" stroke="none" />
    </>
  ),
  watch: <path d="M2 14H13C23 14 23 2.5 16 2.5S9 14 19 14H30" />,
  act: <path d="M2 9H13M13 9C19 9 20 2 30 2M13 9C20 9 22 6.5 30 6.5M13 9C20 9 22 11.5 30 11.5M13 9C19 9 20 16 30 16" />,
  stop: <path d="M2 9H9.5C13 9 12.5 13.5 15 16M17 2C19.5 4.5 19 9 22.5 9H30" />,
  unproven: <path d="M3 9H30" strokeDasharray="0.1 6.4" strokeWidth="3.6" />,
};

const HUES: Readonly<Record<Standing, string>> = {
  sound: 'text-sound',
  watch: 'text-watch',
  act: 'text-act',
  stop: 'text-stop',
  unproven: 'text-unproven',
};

export function Mark({ standing, width = 32 }: { standing: Standing; width?: number }) {
  return (
    <svg
      aria-hidden
      className={`inline-block flex-none ${HUES[standing]}`}
      width={width}
      height={(width * 18) / 32}
      viewBox="0 0 32 18"
      fill="none"
      stroke="currentColor"
      strokeWidth={2.5}
      strokeLinecap="round"
      strokeLinejoin="round"
    >
      {DRAWN[standing]}
    </svg>
  );
}

/** Mark, word and hue together: how a standing is always shown. */
export const StandingWord = ({
  standing,
  className = '',
  width,
}: {
  standing: Standing;
  className?: string;
  width?: number;
}) => (
  <span className={`inline-flex items-center gap-2 font-bold ${HUES[standing]} ${className}`}>
    <Mark standing={standing} {...(width ? { width } : {})} />
    {STANDING_NAMES[standing]}
  </span>
);

/** The CSS variable of a standing's hue, for what is drawn rather than styled. */
export const hueOf = (standing: Standing): string => `var(--${standing})`;
