import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import type { PlaceChain } from '../server/chains';
import { ConductorLine } from './conductor-line';

/** A place with one thing to do: the longest is proposed first (there is one hand). */
const chain = (place: number, chore: string, then: number): PlaceChain => ({
  place,
  run: `run-${place}`,
  href: `/runs/run-${place}`,
  flow: 0.5,
  item: 'Ordfell OF-410',
  serial: `OR-${place}`,
  ready: 0,
  holds: [],
  gasOpen: false,
  chores: [{ id: chore, label: chore, hand: 30, then }],
});
const now = () => screen.getByTestId('conductor-now').textContent;
const press = (name: string) => act(() => fireEvent.click(screen.getAllByRole('button', { name })[0]!));
const asked = () => screen.queryByRole('button', { name: 'As it was proposed' });

afterEach(() => {
  cleanup();
  window.sessionStorage.clear();
});

describe('what to do next', () => {
  const [one, two, three] = [chain(1, 'Open gas', 600), chain(2, 'Look it over', 300), chain(3, 'Read', 60)];
  it('what is refused waits though another place goes on, and until it is asked for', () => {
    const { rerender } = render(<ConductorLine chains={[one, two, three]} />);
    expect(now()).toContain('place 1');
    expect(asked()).toBeNull();
    press('Not this one');
    expect(now()).toContain('place 2');
    rerender(<ConductorLine chains={[one, chain(2, 'Zero', 300), three]} />);
    expect(now()).toContain('place 2: Zero');
    press('As it was proposed');
    expect(now()).toContain('place 1');
  });
  it('it is over when its own place goes on', () => {
    const { rerender } = render(<ConductorLine chains={[one, two, three]} />);
    press('Not this one');
    rerender(<ConductorLine chains={[chain(1, 'Close gas', 600), two, three]} />);
    expect(now()).toContain('place 1: Close gas');
    expect(asked()).toBeNull();
  });
});
