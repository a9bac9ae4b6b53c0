import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { askLock } from '@/platform/client/lock-asked';
import { LockScreen } from './lock-screen';

vi.mock('./actions', () => ({ askPasskeyAction: vi.fn(), signOutAction: vi.fn() }));
const asked: { path: string; body: Record<string, unknown> }[] = [];
let answer: { status: number; body: object } = { status: 200, body: { name: 'Ada', other: false } };
beforeEach(() => {
  asked.length = 0;
  answer = { status: 200, body: { name: 'Ada', other: false } };
  vi.stubGlobal('fetch', (path: string, { body }: { body: string }) => {
    asked.push({ path, body: JSON.parse(body) as Record<string, unknown> });
    return Promise.resolve(new Response(JSON.stringify(answer.body), { status: answer.status }));
  });
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});
const people = [
  { id: 'a', name: 'Ada' },
  { id: 'b', name: 'Bo' },
];
const draw = (afterMinutes = 15) =>
  render(
    <LockScreen me={people[0]!} afterMinutes={afterMinutes} locked={false} people={people} passkeys={false}>
      <p>the clocks</p>
    </LockScreen>,
  );
const locked = () => {
  draw();
  act(askLock);
  asked.length = 0;
};
const go = async (typed: string) => {
  fireEvent.change(screen.getByLabelText(/^PIN/), { target: { value: typed } });
  await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'Go on' })));
};

describe('a screen without a hand', () => {
  it('locks after its minutes and not before, tells the house, and never with 0', async () => {
    vi.useFakeTimers();
    draw();
    await act(() => vi.advanceTimersByTimeAsync(14 * 60_000));
    expect(screen.queryByRole('dialog')).toBeNull();
    await act(() => vi.advanceTimersByTimeAsync(70_000));
    expect(screen.getByRole('dialog').textContent).toContain('the clocks');
    expect(asked).toContainEqual({ path: '/api/screen', body: { act: 'lock' } });
    cleanup();
    draw(0);
    await act(() => vi.advanceTimersByTimeAsync(10 * 3_600_000));
    expect(screen.queryByRole('dialog')).toBeNull();
  });
  it('a hand keeps it open, and is told once a minute', async () => {
    vi.useFakeTimers();
    draw();
    for (let minute = 0; minute < 40; minute += 1) {
      fireEvent.pointerDown(document.body);
      await act(() => vi.advanceTimersByTimeAsync(60_000));
    }
    expect(screen.queryByRole('dialog')).toBeNull();
    const told = asked.filter((one) => one.body.act === 'present').length;
    expect(told).toBeGreaterThanOrEqual(20);
    expect(told).toBeLessThanOrEqual(40);
  });
});

describe('who goes on', () => {
  it.each([
    ['480913', { person: 'a', pin: '480913' }],
    ['wb-0123456789abcdefghjkmnpqrs', { badge: 'WB-0123456789ABCDEFGHJKMNPQRS' }],
    ['a pass phrase', { person: 'a', password: 'a pass phrase' }],
  ])('“%s” is sent as what it is', async (typed, body) => {
    locked();
    await go(typed);
    expect(asked).toEqual([{ path: '/api/unlock', body }]);
  });
  it('another person of the day is chosen by name', async () => {
    locked();
    fireEvent.click(screen.getByRole('button', { name: 'Bo' }));
    await go('480913');
    expect(asked[0]!.body).toEqual({ person: 'b', pin: '480913' });
  });
  it('what is refused stands beside the field, and the screen stays locked', async () => {
    answer = { status: 400, body: { ok: false, code: 'problem', message: 'This PIN is not right.', fields: {} } };
    locked();
    await go('480914');
    expect(screen.getByRole('alert').textContent).toBe('This PIN is not right.');
    expect(screen.getByLabelText<HTMLInputElement>(/^PIN/).value).toBe('');
  });
});
