import { act, cleanup, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Binding, StimulusSpan } from '@/core/record/state';
import { GasBar } from './gas-bar';

beforeEach(() => vi.useFakeTimers({ now: new Date('2026-11-27T10:00:00Z') }));
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});
const span = { onAt: '2026-11-27T10:00:00Z', slot: 'mix', means: 'gas' } as unknown as StimulusSpan;
const binding = {
  flowLPerMin: '0.5',
  reference: { name: 'Four-gas mix', lot: 'FG-1', availableL: '10', pricePerL: '2.00' },
} as unknown as Binding;
const bar = () => (
  <GasBar span={span} binding={binding} onClose={() => undefined} busy={false} advice={null} currency="EUR" flow={null} />
);
const wait = (seconds: number) => act(() => vi.advanceTimersByTime(seconds * 1000));

describe('while gas flows', () => {
  it('time, litres, money and what is left follow from flow and price', () => {
    render(bar());
    wait(120);
    const said = screen.getByRole('status').textContent;
    // 0.5 L/min for 2 min: 1 L, 2.00, 9 L left.
    expect(said).toContain('2:00');
    expect(said).toContain('1.00 L');
    expect(said).toContain('2.00 EUR');
    expect(said).toContain('about 9.0 L left');
  });
  it('a valve that was forgotten calls, and so does a bottle that ran out', () => {
    render(bar());
    wait(239);
    expect(screen.queryByRole('alert')).toBeNull();
    wait(2);
    expect(screen.getByRole('alert').textContent).toContain('GAS STILL OPEN');
    wait(20 * 60);
    expect(screen.getByRole('alert').textContent).toContain('BOTTLE IS EMPTY');
  });
});
