import { readingKind, STANDINGS } from '@yarnix/core';
import { render, screen } from '@testing-library/react';
import { InlineThread } from '../thread/inline-thread.tsx';
import { Mark, StandingWord } from './mark.tsx';
import { ReasonLine } from './reason-line.tsx';

test('the five marks differ in outline, not only in hue', () => {
  const drawings = STANDINGS.map(
    (standing) => render(<Mark standing={standing} />).container.querySelector('svg')?.innerHTML,
  );
  expect(new Set(drawings).size).toBe(5);
});

test('a standing is always said in a word too', () => {
  for (const standing of STANDINGS) render(<StandingWord standing={standing} />);
  for (const word of ['Sound', 'Unproven', 'Watch', 'Act', 'Stop']) expect(screen.getByText(word)).toBeTruthy();
});

test('an inline thread says in words what it draws', () => {
  const data = {
    points: [
      { day: 0, value: 41.2 },
      { day: 200, value: 39.6 },
    ],
    limit: 37.6,
    baseline: 41.2,
    ahead: { day: 400, expected: 38.4, low80: 37.5, high80: 39.3 },
  };
  render(
    <InlineThread
      data={data}
      standing="watch"
      kind={readingKind('run-capacitor-capacitance')}
      width={200}
      height={50}
    />,
  );
  const label = screen
    .getByRole('img')
    .getAttribute('aria-label')
    ?.replace(/\u00a0/g, ' ');
  expect(label).toBe('2 readings from 41.2 µF to 39.6 µF, limit 37.6 µF, expected 38.4 µF at the next round');
});

test('a reason’s first clause carries the weight', () => {
  const { container } = render(
    <ReasonLine
      because={{
        code: 'against-rating',
        numbers: { value: 36, nominal: 40, limit: 37.6, side: 'lower', position: 'past' },
      }}
    />,
  );
  expect(container.querySelector('strong')?.textContent?.replace(/\u00a0/g, ' ')).toBe('36.0 µF, 10 % under 40.0');
});
