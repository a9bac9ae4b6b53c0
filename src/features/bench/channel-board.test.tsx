import { act, cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { gas, openFourGas, prepare, readAll, ZERO } from '@/core/run/four-gas.fixture';
import type { ScriptedRun } from '@/core/run/scripted';
import { ChannelBoard } from './channel-board';
import type { Sheet } from './sheet';

const send = vi.fn(() => Promise.resolve(null));
/** The sheet of a run without a line: what is shown is typed. */
const sheetOf = (run: ScriptedRun): Sheet =>
  ({
    run: { state: run.state, me: { id: 'u', name: 'Tech' }, busy: false, send },
    view: {
      procedure: run.procedure,
      match: {},
      line: null,
      responses: {},
      state: run.state,
      references: [],
      shelf: [],
      earlier: {},
    },
    live: { looks: {}, frame: null },
    hand: { mine: true, who: '', take: () => undefined },
    present: run.step(),
    onLine: false,
  }) as unknown as Sheet;

afterEach(() => {
  cleanup();
  send.mockClear();
  window.localStorage.clear();
  window.sessionStorage.clear();
});
const gasOpen = () => gas(readAll(prepare(openFourGas()), ZERO), true).wait(90);
const row = (name: RegExp) => screen.getByTestId(name);
const type = (name: RegExp, text: string) => {
  const field = row(name).querySelector<HTMLInputElement>('.reading-input')!;
  act(() => fireEvent.change(field, { target: { value: text } }));
  return field;
};

describe('the channels of a reading step', () => {
  it('ask each for what its display shows, the first one first, against the certified value on its own scale', () => {
    render(<ChannelBoard sheet={sheetOf(gasOpen())} />);
    expect(screen.getAllByTestId(/^channel-/)).toHaveLength(4);
    expect(document.activeElement?.id).toBe('reading-c-o2-span');
    // 2.50 %vol of methane are 50 %LEL at an LEL of 5.0 %vol (NFPA 497; common practice).
    expect(row(/^channel-ex-/).textContent).toContain('50 %LEL');
  });
  it('take no key of the sheet for a reading where a line is connected, before its first frame as well', () => {
    const sheet = sheetOf(gasOpen());
    render(<ChannelBoard sheet={{ ...sheet, view: { ...sheet.view, line: { state: 'connected' } } } as unknown as Sheet} />);
    expect(document.activeElement).toBe(document.body);
  });
  it('say error, tolerance and verdict while it is typed, as they will be recorded', () => {
    render(<ChannelBoard sheet={sheetOf(gasOpen())} />);
    type(/^channel-h2s-/, '21.5');
    const said = row(/^channel-h2s-/).textContent;
    expect(said).toContain('outside');
    expect(said).toContain('error −3.5');
    type(/^channel-h2s-/, '25.0');
    expect(row(/^channel-h2s-/).textContent).toContain('within');
  });
  it('send the figure with its digits, and nothing that is none', async () => {
    render(<ChannelBoard sheet={sheetOf(gasOpen())} />);
    const bad = type(/^channel-co-/, '1oo');
    expect(row(/^channel-co-/).textContent).toContain('is not a number');
    await act(async () => void fireEvent.submit(bad.form!));
    expect(send).not.toHaveBeenCalled();
    const good = type(/^channel-co-/, '98');
    await act(async () => void fireEvent.submit(good.form!));
    expect(send).toHaveBeenCalledWith(
      expect.objectContaining({ type: 'captureReading', channel: 'c-co', point: 'span', text: '98' }),
    );
  });
  it('show what stands once it was read', () => {
    const run = gasOpen();
    const key = run.step().key;
    run.do({ type: 'captureReading', step: key, point: 'span', channel: 'c-co', text: '98' });
    render(<ChannelBoard sheet={sheetOf(run)} />);
    expect(within(row(/^channel-co-/)).queryByRole('textbox')).toBeNull();
    expect(row(/^channel-co-/).textContent).toContain('98');
  });
});
