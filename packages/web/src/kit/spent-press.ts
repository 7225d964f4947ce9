/**
 * Says that a press has done all it does as it went down: the click that follows it, as the finger lifts, reaches nothing. It would
 * go to whatever has been drawn under the finger meanwhile, and press that too.
 */
export function spendPress({ pointerId }: PointerEvent): void {
  const done = new AbortController();
  const { signal } = done;
  window.addEventListener(
    'click',
    (event) => {
      // Clicks by the keyboard are no pointer's; older browsers say of none whose it is.
      const by = (event as Partial<PointerEvent>).pointerId;
      if (event.detail === 0 || (by !== undefined && by !== pointerId)) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      done.abort();
    },
    { capture: true, signal },
  );
  const end = () => done.abort();
  const ofThis = (then: () => void) => (event: PointerEvent) => event.pointerId === pointerId && then();
  // A press that ended without a click spends none of the next.
  const lifted = ofThis(() => window.addEventListener('pointerdown', end, { capture: true, signal }));
  window.addEventListener('pointerup', lifted, { capture: true, signal });
  window.addEventListener('pointercancel', ofThis(end), { capture: true, signal });
}
