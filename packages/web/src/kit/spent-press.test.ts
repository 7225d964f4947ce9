import { jest } from '@jest/globals';
import { spendPress } from './spent-press.ts';

/** A pointer's event as browsers send it; jsdom has no pointers of its own. */
function pointer(type: string, pointerId: number, target: Element, detail = 1): PointerEvent {
  const event = new MouseEvent(type, { bubbles: true, cancelable: true, detail });
  Object.assign(event, { pointerId });
  target.dispatchEvent(event);
  return event as PointerEvent;
}

let key: Element;
let drawnAnew: Element;
const pressed = jest.fn();
beforeEach(() => {
  document.body.innerHTML = '<button>Next</button><button>To the next stop</button>';
  [key, drawnAnew] = [document.querySelector('button')!, document.querySelector('button + button')!];
  pressed.mockClear();
  drawnAnew.addEventListener('click', pressed);
});

const press = (pointerId: number) => spendPress(pointer('pointerdown', pointerId, key));

test('the click of a press that acted as it went down presses nothing that was drawn meanwhile', () => {
  press(7);
  pointer('pointerup', 7, drawnAnew);
  pointer('click', 7, drawnAnew);
  expect(pressed).not.toHaveBeenCalled();
});

test('the next press is its own, also where the one before ended without a click', () => {
  press(7);
  pointer('pointerup', 7, drawnAnew);
  pointer('pointerdown', 8, drawnAnew);
  pointer('pointerup', 8, drawnAnew);
  pointer('click', 8, drawnAnew);
  expect(pressed).toHaveBeenCalledTimes(1);
});

test('a mouse, whose number is always the same, presses once for each press', () => {
  for (const times of [1, 2]) {
    press(1);
    pointer('pointerup', 1, drawnAnew);
    pointer('pointerdown', 1, drawnAnew);
    pointer('pointerup', 1, drawnAnew);
    pointer('click', 1, drawnAnew);
    expect(pressed).toHaveBeenCalledTimes(times);
  }
});

test('another finger, the keyboard and a press that was called off spend nothing', () => {
  press(7);
  pointer('click', 9, drawnAnew);
  pointer('click', -1, drawnAnew, 0);
  pointer('pointercancel', 7, key);
  pointer('click', 7, drawnAnew);
  expect(pressed).toHaveBeenCalledTimes(3);
});
