import { expect, test, vi } from 'vitest';
import { render } from '@testing-library/react';
import { useMainAction } from './use-main-action';

/** A step with its button; the key is pressed from outside. */
function Step({ step, busy, onAct, keep }: { step: string; busy: boolean; onAct: () => void; keep: { press: () => void } }) {
  keep.press = useMainAction(step, busy);
  return <button data-main-action disabled={busy} onClick={onAct} />;
}

test('a press while a command is on its way holds, once, if the step is still the same; otherwise it is nobody’s', () => {
  const onAct = vi.fn();
  const keep = { press: () => undefined as void };
  const show = (step: string, busy: boolean) => <Step step={step} busy={busy} onAct={onAct} keep={keep} />;
  const page = render(show('purge', true));
  keep.press();
  keep.press();
  expect(onAct).toHaveBeenCalledTimes(0);
  page.rerender(show('purge', false));
  expect(onAct).toHaveBeenCalledTimes(1);
  // Pressed twice in a hurry: the second press met the answer of the first, and the step after it.
  page.rerender(show('purge', true));
  keep.press();
  page.rerender(show('zero', false));
  expect(onAct).toHaveBeenCalledTimes(1);
  keep.press();
  expect(onAct).toHaveBeenCalledTimes(2);
});
