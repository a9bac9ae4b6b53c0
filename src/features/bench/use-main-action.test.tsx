import { expect, test, vi } from 'vitest';
import { render } from '@testing-library/react';
import { useMainAction } from './use-main-action';

type Press = () => void;
/** A step with its button; the key is handed outside. */
function Step({ step, busy, onAct, give }: { step: string; busy: boolean; onAct: () => void; give: (key: Press) => void }) {
  give(useMainAction(step, busy));
  return <button data-main-action disabled={busy} onClick={onAct} />;
}

test('a press while a command is on its way holds, once, if the step is still the same; otherwise it is nobody’s', () => {
  const onAct = vi.fn();
  let press: Press = () => undefined;
  const show = (step: string, busy: boolean) => <Step step={step} busy={busy} onAct={onAct} give={(key) => void (press = key)} />;
  const page = render(show('purge', true));
  press();
  press();
  expect(onAct).toHaveBeenCalledTimes(0);
  page.rerender(show('purge', false));
  expect(onAct).toHaveBeenCalledTimes(1);
  // Pressed twice in a hurry: the second press met the answer of the first, and the step after it.
  page.rerender(show('purge', true));
  press();
  page.rerender(show('zero', false));
  expect(onAct).toHaveBeenCalledTimes(1);
  press();
  expect(onAct).toHaveBeenCalledTimes(2);
});
