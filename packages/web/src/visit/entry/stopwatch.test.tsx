import { act, fireEvent, render, screen } from '@testing-library/react';
import { jest } from '@jest/globals';
import { Stopwatch } from './stopwatch.tsx';

test('it counts from the press that starts it, and gives whole seconds at the press that stops it', () => {
  jest.useFakeTimers();
  const taken = jest.fn();
  render(<Stopwatch name="Seconds" onTaken={taken} />);
  fireEvent.click(screen.getByRole('button'));
  act(() => void jest.advanceTimersByTime(41_300));
  fireEvent.click(screen.getByRole('button'));
  jest.useRealTimers();
  expect(taken).toHaveBeenCalledTimes(1);
  expect(taken.mock.calls[0]?.[0]).toBeGreaterThanOrEqual(41);
  expect(taken.mock.calls[0]?.[0]).toBeLessThan(42);
});
